/** What is printed or sent, as data: sheets, drawings at true size, labels, the order; the server draws it, the web shows it. */
export type { Sheet as PaperSheet } from './sheet.ts';
export { labelCode, labelLines, labelSheet } from './labelSheet.ts';
export { BOX_WIDTH, CAPITALS, notOnPaper, textWidth_m } from './letterWidths.ts';
export { clockingDrawing } from './clockingDrawing.ts';
export { endText, orderHead, orderSheet } from './orderSheet.ts';
export { csvCell, fromCsvCell } from './csvCell.ts';
export { templateSheet } from './templateSheet.ts';
export { hardLineSheet, lineRestsOn, lineStepText, rollText } from './hardLineSheet.ts';
export { orderDocument } from './orderDocument.ts';
