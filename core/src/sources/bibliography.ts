/**
 * Where figures come from. Every formula and every limit names one of these; a lower kind never silently
 * replaces a higher one. `fromMemory` marks a published source that was written down without the page at hand.
 */
export type SourceKind = 'standard' | 'textbook' | 'maker' | 'commonPractice' | 'derivation' | 'estimate';

export interface Source {
  readonly kind: SourceKind;
  readonly title: string;
  readonly clause?: string;
  readonly fromMemory: boolean;
}

const source = (kind: SourceKind, title: string, clause?: string, fromMemory = false): Source =>
  clause === undefined ? { kind, title, fromMemory } : { kind, title, clause, fromMemory };

export const SOURCES = {
  fittingGeometry: source('derivation', 'Take-offs of the fitting along its own centre line'),
  tubeReading: source('commonPractice', 'Tube laid along the route, common practice, no published source'),
  slackHalfInch: source(
    'commonPractice',
    'About 12 mm (half an inch) of slack over the longest pose, common practice, no published source',
  ),
  aidUncertainty: source(
    'estimate',
    'Our estimate of how well a tube, wire or string repeats; the shop may change it',
  ),
  wireWrap: source('derivation', 'Length of the axis of a wire round a round shank'),
  wireBends: source(
    'estimate',
    'Our estimate: the hose takes the bend on the outside, about the same centre as the wire, with at least 40 mm',
  ),
  checkChord: source(
    'estimate',
    'Our estimates: 3 mm for a tape from bolt to bolt, 8 mm for a point, 2° for an angle',
  ),
  bendDirection: source('derivation', 'Angle between two directions, by their scalar product'),
  tracedLine: source(
    'textbook',
    'P. S. Heckbert, Fundamentals of Texture Mapping and Image Warping, 1989 (plane from four corners); Yuksel, Schaefer and Keyser 2009 (smooth line)',
  ),
  tracedUncertainty: source(
    'estimate',
    'First-order propagation; our estimate of 1.5 pixels for a set point and 0.5 mm for the known size',
  ),
  hoseBand: source('estimate', 'Our estimate: flexible brake hoses are between 80 mm and 4 m long'),
  liftRule: source(
    'commonPractice',
    'A lift of the suspension lengthens the hose by as much, until the droop is measured; common practice, no published source',
  ),
  whatIsAssumed: source(
    'commonPractice',
    'A part is ordered by what was seen or measured on this vehicle: makers change ends within a model year; common practice, no published source',
  ),
  offerUp: source(
    'commonPractice',
    'The new hose is laid along the route before the old one is opened, common practice, no published source',
  ),
  elasticRod: source(
    'textbook',
    'A. E. H. Love, A Treatise on the Mathematical Theory of Elasticity',
    'chapters XVIII–XIX, the bent rod; pressure, set from coiling and twist stiffness are left out',
    true,
  ),
  dubins: source(
    'textbook',
    'L. E. Dubins, American Journal of Mathematics 79, 1957: the shortest way of bounded curvature',
    'a lower bound, never a safe length',
    true,
  ),
  parallelTransport: source(
    'derivation',
    'The eye axis carried along the hose without turning it about the hose',
  ),
  routeMargins: source(
    'estimate',
    'Our margins: 25 mm to hot parts, 10 mm to moving, 5 mm to still ones; a chord of at most 0.97 of the free length',
  ),
  tieOnBars: source(
    'commonPractice',
    'The free loop is never tied to the bars, common practice, no published source',
  ),
  washerStack: source(
    'commonPractice',
    'One fresh crush washer on both sides of every eye, common practice, no published source',
  ),
  engagementRule: source(
    'commonPractice',
    'Engaged thread at least 0.8 d in aluminium, common practice, no published source',
  ),
  bottomingGap: source('estimate', 'Our margin: the bolt stays 1 mm clear of the bottom of the port'),
  tubeBending: source('derivation', 'Straights and arcs of one radius: tangents and arcs of a circle'),
  flareAllowance: source(
    'commonPractice',
    'About 6.35 mm (1/4 in) of tube for a double flare, common practice, no published source; geometry alone gives about 2 mm for 4.76 mm tube, so a test flare in the same tube settles it',
  ),
  flareForms: source(
    'commonPractice',
    'Double or bubble flares only on brake lines, even and without cracks; common practice, no published source',
  ),
  lineMaterials: source(
    'commonPractice',
    'Copper-nickel 90/10 or coated steel for brake lines; plain copper hardens and cracks, steel is bent once; common practice, no published source',
  ),
  lineOrder: source(
    'commonPractice',
    'Both nuts on, the right way round, before the second end is closed; common practice, no published source',
  ),
  cutListRule: source(
    'derivation',
    'Every way to cut the pieces from the lengths in stock, compared by what is thrown away',
  ),
  vdi2230: source(
    'standard',
    'VDI 2230, systematic calculation of bolted joints',
    'torque and clamp, rounded coefficients',
    true,
  ),
  boltSections: source('derivation', 'Sections of a hollow, cross-drilled bolt; no stress concentration'),
  iso898: source(
    'standard',
    'ISO 898-1, bolts of carbon and alloy steel',
    'class 8.8, proof stress 640 MPa up to M16',
    true,
  ),
  iso3506: source('standard', 'ISO 3506-1, stainless steel bolts', 'A2-70, proof stress 450 MPa', true),
  aluminiumHandbook: source(
    'textbook',
    'Handbook value of aluminium 7075-T6',
    'typical yield 503 MPa, minima by product are lower',
    true,
  ),
  jointPassage: source('derivation', 'Sections that the fluid passes in a banjo joint'),
  eyeFit: source(
    'estimate',
    'Our default: an eye is 0.1 to 0.6 mm larger than its bolt; the maker’s sheet replaces it',
  ),
  clipFit: source(
    'estimate',
    'Our default: a clip is up to 1 mm smaller than what it holds, so that it pinches; the clip’s maker decides',
  ),
  plugCount: source(
    'commonPractice',
    'Every cap and plug counted in is counted out; common practice, no published source',
  ),
  localCode: source(
    'commonPractice',
    'Local code on vehicles for the road decides; ask where it is registered',
  ),
  proofTest: source(
    'estimate',
    'Our default: 200 bar held for one minute with water or fluid; the hose maker’s sheet replaces it',
  ),
  makeUpOrder: source(
    'commonPractice',
    'Order of making up a braided hose with screwed ends; common practice, no published source',
  ),
  galling: source(
    'commonPractice',
    'Stainless threads gall when dry, plated steel takes oil; common practice, no published source',
  ),
  nutGap: source(
    'commonPractice',
    'The nut of a screwed end leaves about one turn; common practice, no published source',
  ),
  orderTolerance: source(
    'estimate',
    'Our default: a finished length may be off by 3 mm; the hose maker’s sheet replaces it',
  ),
  hoseMaker: source('maker', 'Fitting sheet of the hose maker for the parts in the box'),
  vehicleMaker: source('maker', 'Workshop manual of the vehicle maker'),
  fluidCap: source('maker', 'Reservoir cap and manual of the vehicle maker'),
  iso6789: source(
    'standard',
    'ISO 6789, hand torque tools',
    'usable range 20–100 % of maximum; permissible deviation 6 % up to 10 N·m, 4 % above',
    true,
  ),
  fmvss116: source(
    'standard',
    'FMVSS 116, motor vehicle brake fluids',
    'minimum boiling points by grade',
    true,
  ),
  iso68: source('standard', 'ISO 68-1, ISO general purpose screw threads, basic profile', undefined, true),
  iso965: source(
    'standard',
    'ISO 965-1, ISO metric screw threads, tolerances',
    'classes 6g and 6H, tables 1, 4 and 5',
    true,
  ),
  asmeB11: source(
    'standard',
    'ASME B1.1, unified inch screw threads',
    'classes 2A and 2B, formulae of section 5',
    true,
  ),
  flankPlay: source('derivation', 'Play of 60° flanks along the axis, used up by a difference of pitch'),
  wrenchClearance: source(
    'derivation',
    'Difference of the nominal widths across flats; more than 0.2 mm of play loads the corners (our estimate)',
  ),
  seatTable: source('commonPractice', 'Which end seals on which seat, common practice, no published source'),
  fmvss106: source(
    'standard',
    'FMVSS 106, brake hoses',
    'S5.3.2 maximum expansion, a limit and not a typical value',
    true,
  ),
  boreVolume: source('textbook', 'Volume of a cylinder'),
  hoseMass: source(
    'estimate',
    'Our estimates of the mass of braided hose, ends, bolts, washers and junctions',
  ),
  tighteningCurve: source(
    'commonPractice',
    'Torque over angle of one pull, from where it begins to bite; common practice, no published source',
  ),
  movementMargin: source(
    'estimate',
    'Our estimate: 5 mm nearer than the drawing has it is another route, and nothing may touch',
  ),
  holdTest: source(
    'commonPractice',
    'A lever held at one force, read when seals and hoses have settled and again later; common practice, no published source',
  ),
  bubblesLong: source(
    'commonPractice',
    'Three times what a circuit holds carries its air out; common practice, no published source',
  ),
  leverFeel: source(
    'estimate',
    'Our estimate: hoses at the limit of their class (FMVSS 106), fluid, pads that come up; half a millimetre and three of a hundred in a reading',
  ),
  hoseTwist: source(
    'estimate',
    'Our default: ten degrees of twist in a metre of hose; the hose maker’s figure comes first',
  ),
  leverage: source('textbook', 'Statics: the moment about the joint, the hand at the middle of the grip'),
  hydrostatics: source(
    'textbook',
    'Hydrostatics: the same pressure everywhere, force is pressure times area',
  ),
  discBrake: source('textbook', 'Two pads on a disc at a mean radius (Coulomb friction)'),
  bulkModulus: source(
    'estimate',
    'Compressibility of the fluid; its modulus, about 1.5 to 2.2 GPa, is a choice of model',
  ),
  gasLaw: source('textbook', 'Ideal gas, isothermal for a slow pull, adiabatic (n = 1.4) for a fast one'),
  boilingModel: source(
    'estimate',
    'Our model from dry and wet boiling points: Raoult’s law with one activity coefficient and Trouton’s rule; exact at the two points',
  ),
  waterVapour: source(
    'textbook',
    'W. Wagner and A. Pruß, J. Phys. Chem. Ref. Data 31 (2002), vapour pressure of water',
    'equation 2.5',
    true,
  ),
  bretherton: source(
    'textbook',
    'F. P. Bretherton, The motion of long bubbles in tubes, J. Fluid Mech. 10 (1961)',
    undefined,
    true,
  ),
  laminarFlush: source(
    'textbook',
    'Laminar flow through a tube: five line volumes leave 1 % of old fluid in the outflow',
  ),
  hoseAge: source(
    'commonPractice',
    'Rubber brake hose every four years, braided hose by inspection; common practice, no published source',
  ),
  conditionTable: source(
    'commonPractice',
    'What is done about a worn hose or joint, common practice, no published source',
  ),
  symptomTable: source(
    'estimate',
    'Common practice, no published source; how often a cause shows itself is our own coarse grade, nobody has counted',
  ),
  calliperInBore: source(
    'estimate',
    'Our estimate of the limit of error of bench tools on a small thread; flat jaws sit on a chord of the bore',
  ),
  cylinderVolume: source('textbook', 'Volume swept by a piston'),
  fluidInterval: source(
    'commonPractice',
    'Fluid every one to two years, common practice, no published source; the vehicle maker’s interval is the longest allowed',
  ),
  bleedOrder: source(
    'commonPractice',
    'Farthest nipple from the master first, the master’s own last, unless the maker says otherwise; common practice, no published source',
  ),
  bleedScript: source(
    'commonPractice',
    'Close before the lever comes back, about one bar at a reservoir and no more than 20 lbf/in², a lid laid on, pads that met fluid replaced, first stops gentle; common practice, no published source',
  ),
  fitOrder: source(
    'commonPractice',
    'An end that cannot swivel goes first, the swivelling one last; common practice, no published source',
  ),
} as const satisfies Record<string, Source>;

export type SourceId = keyof typeof SOURCES;

export const SOURCE_IDS = Object.keys(SOURCES) as readonly SourceId[];
