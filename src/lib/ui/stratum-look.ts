import type { StratumKind } from '$core/strata/stratum';

/** Class of a stratum's band: its colour and its hatch, so that it reads without colour. Styles are in app.css. */
export const bandClass = (kind: StratumKind): string => `band band-${kind}`;

/** Thickness of a band by its entries, on a log scale; an empty stratum still shows as a hairline. */
export const thickness = (entries: number): number => (entries === 0 ? 0.12 : 1 + Math.log2(1 + entries));
