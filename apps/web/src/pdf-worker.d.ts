/** The half of pdf.js that reads; it comes without types and is only handed on. */
declare module 'pdfjs-dist/build/pdf.worker.mjs';
