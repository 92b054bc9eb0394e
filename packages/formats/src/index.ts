export { type JobDocument } from './ticket/document.js';
export { ticketPdf } from './ticket/ticket.js';
export { pileTagsPdf } from './ticket/pile-tags.js';
export { code128Svg, isCodable } from './drawing/code128.js';
export { layoutSvg } from './drawing/layout-svg.js';
export { layoutDxf } from './drawing/layout-dxf.js';
export { layoutPdf } from './drawing/layout-pdf.js';
export * from './drawings.js';
