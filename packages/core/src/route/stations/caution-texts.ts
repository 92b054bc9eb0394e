// Usual cautions, each said once. Source: handbook chapter 10; EN 1010 and ISO 12643 series (safety of graphic technology equipment).
export const NIPS = $localize`Guards closed; inch mode for threading, washing and jams; no loose clothing, rings or gloves at rollers.`;
export const LOCK_OUT = $localize`Jams and changes of blanket, knife or die: stop, isolate and lock out all energy, stored pressure too.`;
export const CUTTING = $localize`Two-hand control and light curtain working; nobody else at the table; blade carried in its holder; never reach under the clamp.`;
export const SOLVENTS = $localize`Solvents and washes: ventilation, gloves, no ignition, closed rag bins; safety data sheet at hand.`;
export const DUST = $localize`Powder and paper dust: extraction and mask; dust is explosive in quantity.`;
export const NOISE = $localize`Hearing protection where required.`;
export const LIFTING = $localize`Hand-lift limits and stacking height by local rules.`;
export const STRIPPING = $localize`Stripping with a hammer: eye protection, rotation and breaks.`;
export const REPETITION = $localize`Repetitive hand work: rotation and breaks.`;
export const HOT_GLUE = $localize`Hot-melt glue burns: gloves and eye protection at the tank; ventilation.`;
export const HEAT = $localize`Hot parts: gloves for heat, and let them cool down before a change.`;
export const CRUSH = $localize`Crush zone: guards closed, hands out before the stroke; lift dies with help or a hoist.`;
export const FUMES = $localize`PUR gives off isocyanate fumes: extraction and health checks.`;
export const ROLLS = $localize`Chock rolls; never stand under a lifted roll: half a ton crushes.`;
export const STACKS = $localize`Stacking height as the works allows; never under a lifted pallet.`;
export const SHARP = $localize`Trims and bands have sharp edges: gloves for handling, not at rotating parts.`;
