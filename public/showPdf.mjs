// Loads the PDF renderer, which is served beside the app, and hands it over.
import * as pdf from './pdf/pdf.min.mjs';

pdf.GlobalWorkerOptions.workerSrc = '/pdf/pdf.worker.min.mjs';
window.cendroPdf = pdf;
