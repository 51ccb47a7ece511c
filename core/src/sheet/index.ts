export { deckDrawing, type Drawing, DRAWING_LAYERS, type DrawingLayer, type Stroke } from './deck-drawing.js';
export { svgOf } from './svg.js';
