/** Colours of charts, light and dark; lines are told apart by dash as well. */
export const chartColours = (dark: boolean) =>
  dark
    ? { text: '#d6d3cc', grid: '#55524b', limit: '#9a958a', series: ['#ffb68c', '#cfe6f5', '#d3e08a', '#eab6de'] }
    : { text: '#4a463f', grid: '#d8d3c8', limit: '#7a756a', series: ['#8f4a10', '#2c5a73', '#5a6b1f', '#7a3b6e'] };

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
