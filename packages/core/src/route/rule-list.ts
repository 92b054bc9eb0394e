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
    name: 'Drying before the second side',
    reason: 'Wet ink sets off on the cylinder and on the sheet below.',
    weight: 'hard',
  },
  'dry-before-cut': {
    name: 'Drying before cutting',
    reason: 'The clamp presses wet ink onto the sheet above.',
    weight: 'hard',
  },
  'dry-before-die': {
    name: 'Drying before die cutting',
    reason: 'Wet ink smears in the feeder and under the stripping tools.',
    weight: 'hard',
  },
  'dry-before-fold': {
    name: 'Drying before folding',
    reason: 'Rollers mark ink that has not set through.',
    weight: 'hard',
  },
  'dry-before-film': {
    name: 'Drying before film, foil and coating',
    reason: 'What is still wet under film keeps it from sticking, and gases out as bubbles.',
    weight: 'hard',
  },
  'coat-before-die': {
    name: 'Coating and film before die cutting',
    reason: 'A die-cut blank can no longer be fed to the coater or the laminator.',
    weight: 'hard',
  },
  'foil-after-film': {
    name: 'Foil after film',
    reason: 'Film dulls foil that lies under it. The reverse is practised where the foil is to be protected.',
    weight: 'soft',
  },
  'foil-before-die': {
    name: 'Foil and embossing before die cutting',
    reason: 'The foil press registers to the whole sheet.',
    weight: 'hard',
  },
  'emboss-after-foil': {
    name: 'Embossing after foil',
    reason: 'The foil die flattens a relief that is there already.',
    weight: 'hard',
  },
  'score-before-fold': {
    name: 'Score before folding',
    reason: 'Heavy stock, a fold across the grain, or solid ink over the fold cracks without a score.',
    weight: 'soft',
  },
  'glue-area-free': {
    name: 'Glued areas free of varnish, film and foil',
    reason: 'Cold glue does not hold on varnish, film or foil. Keep the flap clear, or take hot melt.',
    weight: 'hard',
  },
  'hot-melt-on-sealed': {
    name: 'Hot melt on sealed board',
    reason: 'Waxed, coated and UV-varnished board takes no water: cold glue stays wet on it.',
    weight: 'soft',
  },
  'no-powder-under-film': {
    name: 'No powder under film or foil',
    reason: 'Anti-set-off powder shows through film as specks and breaks the foil.',
    weight: 'soft',
  },
  'cut-before-fold': {
    name: 'Cut before folding',
    reason:
      'Several pieces on a sheet have to be parted before each is folded. Sections are folded from the whole sheet.',
    weight: 'hard',
  },
  'die-before-glue': {
    name: 'Die cut and strip before gluing',
    reason: 'The folder-gluer takes blanks, free of waste.',
    weight: 'hard',
  },
  'window-before-glue': {
    name: 'Window before gluing',
    reason: 'A glued carton is closed: the film cannot be put in.',
    weight: 'hard',
  },
  'cool-before-trim': {
    name: 'Trim after the glue has cooled',
    reason: 'Warm hot melt smears on the knife and the spine goes out of square.',
    weight: 'hard',
  },
  'split-before-trim': {
    name: 'Split before trimming',
    reason: 'The trimmer takes single books.',
    weight: 'hard',
  },
  'sew-before-case': {
    name: 'Sew before casing in',
    reason: 'The block is held by its thread before the case covers the spine.',
    weight: 'hard',
  },
  'number-before-cut': {
    name: 'Number before cutting',
    reason: 'The boxes number the whole sheet, so that cut piles are in sequence.',
    weight: 'soft',
  },
  'number-after-inspection': {
    name: 'Inspect before numbering',
    reason: 'A number printed on a bad sheet has to be voided and replaced.',
    weight: 'soft',
  },
  'count-accountable': {
    name: 'Count accountable work',
    reason: 'Every sheet and every scrap of numbered work is accounted for.',
    weight: 'hard',
  },
  'hand-after-wet': {
    name: 'Hand work after wet stations',
    reason: 'Hands and wet ink, glue or gum leave marks.',
    weight: 'soft',
  },
  'machine-size': {
    name: 'Size that the machine takes',
    reason: 'What comes is larger or smaller than the machine runs.',
    weight: 'hard',
  },
  'machine-caliper': {
    name: 'Thickness that the machine takes',
    reason: 'What comes is thinner or thicker than the machine runs.',
    weight: 'hard',
  },
  'machine-mass': {
    name: 'Mass that the machine takes',
    reason: 'What comes is heavier than the machine carries.',
    weight: 'hard',
  },
  'machine-grain': {
    name: 'Grain that the machine takes',
    reason: 'What comes has its grain along the other side: it curls in this machine. Lay it turned by a quarter.',
    weight: 'soft',
  },
  'machine-stations': {
    name: 'Stations of the gatherer',
    reason: 'More sections than feeders want a second gather.',
    weight: 'hard',
  },
  'machine-folds': {
    name: 'Folds that the folder makes',
    reason:
      'More folds the same way than one of its units makes, or more turns than it has units behind. Take another folder, or fold otherwise.',
    weight: 'hard',
  },
  'hand-lift': {
    name: 'Boxes that one person lifts',
    reason: 'Hand-lift limits by local rules prevail.',
    weight: 'soft',
  },
  'least-spine': {
    name: 'Least spine of glued work',
    reason: 'A thinner spine holds no glue and takes no title. Stitch it, or take a bulkier paper.',
    weight: 'hard',
  },
  'cover-fits-block': {
    name: 'Cover as wide as its block wants',
    reason: 'Pages or paper have changed since the cover was measured: its spine would not meet the block.',
    weight: 'hard',
  },
  'case-fits-block': {
    name: 'Case as large as its block wants',
    reason: 'Pages or paper have changed since the case was measured: boards, strip and cloth follow the block.',
    weight: 'hard',
  },
  'saddle-thickness': {
    name: 'Thickest saddle-stitched copy',
    reason: 'A thicker booklet gapes and creeps. Offer perfect binding.',
    weight: 'soft',
  },
  'grain-along-spine': {
    name: 'Grain along the spine',
    reason: 'Leaves with the grain across the spine wave and the book opens badly.',
    weight: 'soft',
  },
  'carton-grain': {
    name: 'Grain of a carton',
    reason:
      'Walls are stiffer with the grain around the box, across the body creases; the house may have it up the box.',
    weight: 'soft',
  },
  'food-glue': {
    name: 'Glue cleared for the contact',
    reason: 'What the job says it touches asks for glue, ink and varnish that are cleared for it.',
    weight: 'soft',
  },
  'food-varnish': {
    name: 'Varnish cleared for the contact',
    reason: 'What the job says it touches asks for a varnish or coating that is cleared for it.',
    weight: 'soft',
  },
  'gang-parts-late': {
    name: 'Gang items part after what the whole sheet meets',
    reason: 'What every item gets is done once, before the sheet is cut apart.',
    weight: 'soft',
  },
  'section-grammage': {
    name: 'Paper that folds in so many pages',
    reason: 'Heavy paper in many leaves cracks and creeps out of the fold: take sections of fewer pages.',
    weight: 'soft',
  },
  'right-angle-folds': {
    name: 'No more than five right-angle folds',
    reason: 'The inner leaves crease and the packet no longer lies flat: part it into two.',
    weight: 'hard',
  },
  'cover-scored': {
    name: 'Score a heavy cover before it is stitched',
    reason: 'A heavy cover that is folded over without a score cracks at the spine.',
    weight: 'soft',
  },
  'box-whole-packs': {
    name: 'Whole packs in a box',
    reason: 'A pack that is opened to fill a box has to be counted and banded again.',
    weight: 'soft',
  },
  'packs-equal-designs': {
    name: 'Designs as the pack takes them',
    reason: 'A form that gives one design more often than the pack takes it leaves the rest over.',
    weight: 'soft',
  },
  'web-heads-open': {
    name: 'Heads of a web section opened',
    reason: 'Folded across, its heads stay closed: somebody has to trim it, or the press in line.',
    weight: 'hard',
  },
  'turning-stiff-board': {
    name: 'Board that the press can turn',
    reason: 'Stiff board does not follow the turning drums and is marked: print the sides one after the other.',
    weight: 'hard',
  },
  'machine-there': {
    name: 'A machine for every station',
    reason: 'What no machine of the works does has no hours and no cost: enter the machine, or take another way.',
    weight: 'hard',
  },
  'still-in-use': {
    name: 'Machines and papers that are still in use',
    reason: 'The works has retired it: what is planned on it cannot be made as it is planned.',
    weight: 'soft',
  },
  'die-with-counter': {
    name: 'Embossing die with its counter',
    reason: 'Without its counter a die presses no relief into the sheet.',
    weight: 'soft',
  },
  'artwork-pages': {
    name: 'Pages of the artwork',
    reason: 'A page that the file lacks is printed blank; one that has no place is not printed.',
    weight: 'hard',
  },
  'artwork-size': {
    name: 'Size of the artwork',
    reason: 'A page of another size is cut into, or leaves an edge of bare paper.',
    weight: 'hard',
  },
  'artwork-bleed': {
    name: 'Bleed of the artwork',
    reason: 'Where a picture ends at the trim, the knife leaves a bare edge as soon as it is a hair off.',
    weight: 'soft',
  },
  'artwork-inks': {
    name: 'Inks of the artwork',
    reason: 'The file has an ink that is not printed here: print it, or have it turned into the inks that are.',
    weight: 'soft',
  },
  'artwork-empty-plates': {
    name: 'Inks without artwork',
    reason: 'No page of the file has this ink: its plate would be empty.',
    weight: 'soft',
  },
  'artwork-separated': {
    name: 'Artwork in inks',
    reason: 'What is told in red, green and blue is separated on the way, and may come out otherwise than it was seen.',
    weight: 'soft',
  },
  'artwork-total-ink': {
    name: 'Total ink of the artwork',
    reason: 'So much ink in one place dries slowly and sets off.',
    weight: 'soft',
  },
} as const satisfies Readonly<Record<string, RouteRule>>;
/** Id of a shipped rule. */
export type RuleId = keyof typeof ROUTE_RULES;
/** Every shipped rule. */
export const RULE_IDS = Object.keys(ROUTE_RULES) as readonly RuleId[];
