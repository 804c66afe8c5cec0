import { optionsOf } from '../options.ts';

/** Options of its own, beside those that all stand-ins have. */
export const options = optionsOf(`
bend.radius | Sheet | Default bend radius | number 0.2 20 0.1 mm | 2 | | | bend, fold |
bend.relief | Sheet | Bend relief | choice round=round, square=square, none=none | round | | | notch, corner |
sketch.guess | Sketch | Automatic constraints | switch | true | | a moment at each line of a crowded sketch | relations, constraints |
`);
