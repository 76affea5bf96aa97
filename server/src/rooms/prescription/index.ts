export { INK, MARGIN, type Pdf, TAPE } from './cardDrawing.ts';
export { type CardAsk, drawCard } from './cardPdf.ts';
export { feelPage, forgetFeel, noteFeel } from './feels.ts';
export { figureForPage } from './figures.ts';
export { noteRung } from './history.ts';
export { libraryOf, libraryWords, readLibrary } from './library.ts';
export { prescriptionRoutes } from './routes.ts';
export { cardFor, setupCard } from './service.ts';
export { prescriptionSlice } from './sliceRepo.ts';
