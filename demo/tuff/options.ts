import { optionsOf } from '../options.ts';

/** Options of its own, beside those that all stand-ins have. */
export const options = optionsOf(`
gap.usual | Panels | Default panel gap | number 1 12 0.5 mm | 4 | | | joint, reveal |
seam.width | Panels | Bonded seam width | number 4 30 1 mm | 12 | | | glue, bond |
foil.waste | Panels | Show foil waste | switch | true | | a moment at each nesting | offcut, nesting |
`);
