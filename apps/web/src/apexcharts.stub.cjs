/** Stands in for ApexCharts in unit tests: jsdom has no SVG to draw with. */
module.exports = class {
  render() {
    return Promise.resolve();
  }
  updateOptions() {
    return Promise.resolve();
  }
  destroy() {
    // nothing was drawn
  }
};
