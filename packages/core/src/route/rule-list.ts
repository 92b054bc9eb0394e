/** How much a rule counts: not at all, as a warning, or so that a job is not released against it. */
export const RULE_WEIGHTS = ['off', 'soft', 'hard'] as const;
/** One of the weights. */
export type RuleWeight = (typeof RULE_WEIGHTS)[number];

/** A rule of the route as it ships. */
export interface RouteRule {
  readonly name: string;
  /** Why, in a sentence for the planner. */
  readonly reason: string;
  /** As shipped; a works may set another. */
  readonly weight: RuleWeight;
}

/**
 * What a route has to keep. Source: practice, handbook chapters 5 and 7, unless a reason says otherwise. The predicates
 * stand in the area rules; a test holds the two lists together.
 */
export const ROUTE_RULES = {
  'dry-before-back-up': {
    name: $localize`Drying before the second side`,
    reason: $localize`Wet ink sets off on the cylinder and on the sheet below.`,
    weight: 'hard',
  },
  'dry-before-cut': {
    name: $localize`Drying before cutting`,
    reason: $localize`The clamp presses wet ink onto the sheet above.`,
    weight: 'hard',
  },
  'dry-before-die': {
    name: $localize`Drying before die cutting`,
    reason: $localize`Wet ink smears in the feeder and under the stripping tools.`,
    weight: 'hard',
  },
  'dry-before-fold': {
    name: $localize`Drying before folding`,
    reason: $localize`Rollers mark ink that has not set through.`,
    weight: 'hard',
  },
  'dry-before-film': {
    name: $localize`Drying before film, foil and coating`,
    reason: $localize`What is still wet under film keeps it from sticking, and gases out as bubbles.`,
    weight: 'hard',
  },
  'coat-before-die': {
    name: $localize`Coating and film before die cutting`,
    reason: $localize`A die-cut blank can no longer be fed to the coater or the laminator.`,
    weight: 'hard',
  },
  'foil-after-film': {
    name: $localize`Foil after film`,
    reason: $localize`Film dulls foil that lies under it. The reverse is practised where the foil is to be protected.`,
    weight: 'soft',
  },
  'foil-before-die': {
    name: $localize`Foil and embossing before die cutting`,
    reason: $localize`The foil press registers to the whole sheet.`,
    weight: 'hard',
  },
  'emboss-after-foil': {
    name: $localize`Embossing after foil`,
    reason: $localize`The foil die flattens a relief that is there already.`,
    weight: 'hard',
  },
  'score-before-fold': {
    name: $localize`Score before folding`,
    reason: $localize`Heavy stock, a fold across the grain, or solid ink over the fold cracks without a score.`,
    weight: 'soft',
  },
  'glue-area-free': {
    name: $localize`Glued areas free of varnish, film and foil`,
    reason: $localize`Cold glue does not hold on varnish, film or foil. Keep the flap clear, or take hot melt.`,
    weight: 'hard',
  },
  'hot-melt-on-sealed': {
    name: $localize`Hot melt on sealed board`,
    reason: $localize`Waxed, coated and UV-varnished board takes no water: cold glue stays wet on it.`,
    weight: 'soft',
  },
  'no-powder-under-film': {
    name: $localize`No powder under film or foil`,
    reason: $localize`Anti-set-off powder shows through film as specks and breaks the foil.`,
    weight: 'soft',
  },
  'cut-before-fold': {
    name: $localize`Cut before folding`,
    reason: $localize`Several pieces on a sheet have to be parted before each is folded. Sections are folded from the whole sheet.`,
    weight: 'hard',
  },
  'die-before-glue': {
    name: $localize`Die cut and strip before gluing`,
    reason: $localize`The folder-gluer takes blanks, free of waste.`,
    weight: 'hard',
  },
  'window-before-glue': {
    name: $localize`Window before gluing`,
    reason: $localize`A glued carton is closed: the film cannot be put in.`,
    weight: 'hard',
  },
  'cool-before-trim': {
    name: $localize`Trim after the glue has cooled`,
    reason: $localize`Warm hot melt smears on the knife and the spine goes out of square.`,
    weight: 'hard',
  },
  'split-before-trim': {
    name: $localize`Split before trimming`,
    reason: $localize`The trimmer takes single books.`,
    weight: 'hard',
  },
  'sew-before-case': {
    name: $localize`Sew before casing in`,
    reason: $localize`The block is held by its thread before the case covers the spine.`,
    weight: 'hard',
  },
  'number-before-cut': {
    name: $localize`Number before cutting`,
    reason: $localize`The boxes number the whole sheet, so that cut piles are in sequence.`,
    weight: 'soft',
  },
  'number-after-inspection': {
    name: $localize`Inspect before numbering`,
    reason: $localize`A number printed on a bad sheet has to be voided and replaced.`,
    weight: 'soft',
  },
  'count-accountable': {
    name: $localize`Count accountable work`,
    reason: $localize`Every sheet and every scrap of numbered work is accounted for.`,
    weight: 'hard',
  },
  'hand-after-wet': {
    name: $localize`Hand work after wet stations`,
    reason: $localize`Hands and wet ink, glue or gum leave marks.`,
    weight: 'soft',
  },
  'machine-size': {
    name: $localize`Size that the machine takes`,
    reason: $localize`What comes is larger or smaller than the machine runs.`,
    weight: 'hard',
  },
  'machine-caliper': {
    name: $localize`Thickness that the machine takes`,
    reason: $localize`What comes is thinner or thicker than the machine runs.`,
    weight: 'hard',
  },
  'machine-mass': {
    name: $localize`Mass that the machine takes`,
    reason: $localize`What comes is heavier than the machine carries.`,
    weight: 'hard',
  },
  'machine-grain': {
    name: $localize`Grain that the machine takes`,
    reason: $localize`What comes has its grain along the other side: it curls in this machine. Lay it turned by a quarter.`,
    weight: 'soft',
  },
  'machine-stations': {
    name: $localize`Stations of the gatherer`,
    reason: $localize`More sections than feeders want a second gather.`,
    weight: 'hard',
  },
  'machine-folds': {
    name: $localize`Folds that the folder makes`,
    reason: $localize`More folds the same way than one of its units makes, or more turns than it has units behind. Take another folder, or fold otherwise.`,
    weight: 'hard',
  },
  'hand-lift': {
    name: $localize`Boxes that one person lifts`,
    reason: $localize`Hand-lift limits by local rules prevail.`,
    weight: 'soft',
  },
  'least-spine': {
    name: $localize`Least spine of glued work`,
    reason: $localize`A thinner spine holds no glue and takes no title. Stitch it, or take a bulkier paper.`,
    weight: 'hard',
  },
  'cover-fits-block': {
    name: $localize`Cover as wide as its block wants`,
    reason: $localize`Pages or paper have changed since the cover was measured: its spine would not meet the block.`,
    weight: 'hard',
  },
  'case-fits-block': {
    name: $localize`Case as large as its block wants`,
    reason: $localize`Pages or paper have changed since the case was measured: boards, strip and cloth follow the block.`,
    weight: 'hard',
  },
  'saddle-thickness': {
    name: $localize`Thickest saddle-stitched copy`,
    reason: $localize`A thicker booklet gapes and creeps. Offer perfect binding.`,
    weight: 'soft',
  },
  'grain-along-spine': {
    name: $localize`Grain along the spine`,
    reason: $localize`Leaves with the grain across the spine wave and the book opens badly.`,
    weight: 'soft',
  },
  'carton-grain': {
    name: $localize`Grain of a carton`,
    reason: $localize`Walls are stiffer with the grain around the box, across the body creases; the house may have it up the box.`,
    weight: 'soft',
  },
  'food-glue': {
    name: $localize`Glue cleared for the contact`,
    reason: $localize`What the job says it touches asks for glue, ink and varnish that are cleared for it.`,
    weight: 'soft',
  },
  'food-varnish': {
    name: $localize`Varnish cleared for the contact`,
    reason: $localize`What the job says it touches asks for a varnish or coating that is cleared for it.`,
    weight: 'soft',
  },
  'gang-parts-late': {
    name: $localize`Gang items part after what the whole sheet meets`,
    reason: $localize`What every item gets is done once, before the sheet is cut apart.`,
    weight: 'soft',
  },
  'section-grammage': {
    name: $localize`Paper that folds in so many pages`,
    reason: $localize`Heavy paper in many leaves cracks and creeps out of the fold: take sections of fewer pages.`,
    weight: 'soft',
  },
  'right-angle-folds': {
    name: $localize`No more than five right-angle folds`,
    reason: $localize`The inner leaves crease and the packet no longer lies flat: part it into two.`,
    weight: 'hard',
  },
  'cover-scored': {
    name: $localize`Score a heavy cover before it is stitched`,
    reason: $localize`A heavy cover that is folded over without a score cracks at the spine.`,
    weight: 'soft',
  },
  'box-whole-packs': {
    name: $localize`Whole packs in a box`,
    reason: $localize`A pack that is opened to fill a box has to be counted and banded again.`,
    weight: 'soft',
  },
  'packs-equal-designs': {
    name: $localize`Designs as the pack takes them`,
    reason: $localize`A form that gives one design more often than the pack takes it leaves the rest over.`,
    weight: 'soft',
  },
  'web-heads-open': {
    name: $localize`Heads of a web section opened`,
    reason: $localize`Folded across, its heads stay closed: somebody has to trim it, or the press in line.`,
    weight: 'hard',
  },
  'turning-stiff-board': {
    name: $localize`Board that the press can turn`,
    reason: $localize`Stiff board does not follow the turning drums and is marked: print the sides one after the other.`,
    weight: 'hard',
  },
  'machine-there': {
    name: $localize`A machine for every station`,
    reason: $localize`What no machine of the works does has no hours and no cost: enter the machine, or take another way.`,
    weight: 'hard',
  },
  'still-in-use': {
    name: $localize`Machines and papers that are still in use`,
    reason: $localize`The works has retired it: what is planned on it cannot be made as it is planned.`,
    weight: 'soft',
  },
  'die-with-counter': {
    name: $localize`Embossing die with its counter`,
    reason: $localize`Without its counter a die presses no relief into the sheet.`,
    weight: 'soft',
  },
  'artwork-pages': {
    name: $localize`Pages of the artwork`,
    reason: $localize`A page that the file lacks is printed blank; one that has no place is not printed.`,
    weight: 'hard',
  },
  'artwork-size': {
    name: $localize`Size of the artwork`,
    reason: $localize`A page of another size is cut into, or leaves an edge of bare paper.`,
    weight: 'hard',
  },
  'artwork-bleed': {
    name: $localize`Bleed of the artwork`,
    reason: $localize`Where a picture ends at the trim, the knife leaves a bare edge as soon as it is a hair off.`,
    weight: 'soft',
  },
  'artwork-inks': {
    name: $localize`Inks of the artwork`,
    reason: $localize`The file has an ink that is not printed here: print it, or have it turned into the inks that are.`,
    weight: 'soft',
  },
  'artwork-empty-plates': {
    name: $localize`Inks without artwork`,
    reason: $localize`No page of the file has this ink: its plate would be empty.`,
    weight: 'soft',
  },
  'artwork-separated': {
    name: $localize`Artwork in inks`,
    reason: $localize`What is told in red, green and blue is separated on the way, and may come out otherwise than it was seen.`,
    weight: 'soft',
  },
  'artwork-total-ink': {
    name: $localize`Total ink of the artwork`,
    reason: $localize`So much ink in one place dries slowly and sets off.`,
    weight: 'soft',
  },
} as const satisfies Readonly<Record<string, RouteRule>>;
/** Id of a shipped rule. */
export type RuleId = keyof typeof ROUTE_RULES;
/** Every shipped rule. */
export const RULE_IDS = Object.keys(ROUTE_RULES) as readonly RuleId[];
