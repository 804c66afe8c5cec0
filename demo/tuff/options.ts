import { optionsOf } from '../options.ts';

/** Options of its own, beside those that all stand-ins have. */
export const options = optionsOf(`
gap.usual | Panels | Usual gap between panels | number 1 12 0.5 mm | 4 | | | joint, reveal |
seam.width | Panels | Width of a bonded seam | number 4 30 1 mm | 12 | | | glue, bond |
foil.waste | Panels | Show the waste of a foil sheet | switch | true | | a moment at each nesting | offcut, nesting |
`);
