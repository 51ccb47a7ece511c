export { type Dimension, dimensionAlong, dimensionUp, through } from './dimension';
export { alongPath, type Anchor, type Label, labelInside, type PlacedLabel, placeLabels, type Way } from './labels';
export { DimensionMark, LabelMark } from './marks';
export { type Area, barScale, dialScale, trueScale, type TrueScale } from './scale';
