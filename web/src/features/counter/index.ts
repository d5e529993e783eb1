export { BOWL, bowlSize, halfWidth, heightOfShare, LAYER_FILLS, slicePath } from "./bowlShape";
export { Counter, type OnCounter } from "./Counter";
export { bowlOf, shapeOf } from "./pieces";
export { tintColour } from "./tints";
