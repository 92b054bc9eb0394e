/** Reader of what the pages of a PDF are: fit for a browser's worker as well as for the server. */
export { type ExaminedPage, examinePdf } from './artwork/pdf/examine-pdf.js';
