/** Colours of charts, light and dark; a second line is told apart by dash as well. */
export const chartColours = (dark: boolean) =>
  dark
    ? { text: '#d6d3cc', grid: '#55524b', limit: '#9a958a', series: ['#ffb68c', '#cfe6f5'] }
    : { text: '#4a463f', grid: '#d8d3c8', limit: '#7a756a', series: ['#8f4a10', '#2c5a73'] };

/** A chart that stands still and has no tools of its own. */
export const plainChart = (type: 'bar' | 'line', height: number, dark: boolean) => ({
  type,
  height,
  animations: { enabled: false },
  toolbar: { show: false },
  zoom: { enabled: false },
  foreColor: chartColours(dark).text,
  fontFamily: 'inherit',
  parentHeightOffset: 0,
});
