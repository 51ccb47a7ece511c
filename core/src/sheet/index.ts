export { deckDrawing, type Drawing, DRAWING_LAYERS, type DrawingLayer, type Stroke } from './deck-drawing.js';
export { svgOf } from './svg.js';
export { cableWords, type OneLine, oneLine, type OneLineBlock, type OneLineCable, oneLineSvg, wireCsv, wireList, type WireRow } from './one-line.js';
export { fittingSize, textWidth } from './text.js';
