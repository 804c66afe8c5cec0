import { optionsOf } from '../options.ts';

/** Options of its own, beside those that all stand-ins have. */
export const options = optionsOf(`
bend.radius | Sheet | Inner radius of a new bend | number 0.2 20 0.1 mm | 2 | | | bend, fold |
bend.relief | Sheet | Relief at the ends of a bend | choice round=round, square=square, none=none | round | | | notch, corner |
sketch.guess | Sketch | Guess how lines lie to each other | switch | true | | a moment at each line of a crowded sketch | relations, constraints |
`);
