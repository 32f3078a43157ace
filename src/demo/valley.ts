/** The invented valley: shapes in meters east and north of a point in the open ocean, so that it lies nowhere. */
export const ORIGIN: [number, number] = [-131.2, 44.35];
export type Meters = [number, number];

export function toLngLat([east, north]: Meters): [number, number] {
  const [lng, lat] = ORIGIN;
  return [
    Number((lng + east / (111320 * Math.cos((lat * Math.PI) / 180))).toFixed(7)),
    Number((lat + north / 110574).toFixed(7)),
  ];
}

export const polygon = (ring: Meters[]) => ({
  type: "Polygon" as const,
  coordinates: [[...ring, ring[0]].map(toLngLat)],
});
export const path = (points: Meters[]) => ({ type: "LineString" as const, coordinates: points.map(toLngLat) });
export const point = (at: Meters) => ({ type: "Point" as const, coordinates: toLngLat(at) });

export interface SampleSite {
  name: string;
  /** what people call places in it */
  spots: string[];
  ring: Meters[];
  setting: Record<string, string[]>;
  rules: Record<string, boolean>;
  note: string;
  /** plants that stand here, targets first */
  plants: string[];
}

export const SITES: SampleSite[] = [
  {
    name: "Bluff Prairie",
    spots: ["Top of the bluff", "Below the ledge", "West rim", "By the cairn", "East slope"],
    ring: [
      [-3900, 2300],
      [-2700, 2450],
      [-2500, 1700],
      [-3700, 1500],
    ],
    setting: { ground: ["bluff", "grassland"], light: ["sun"], wetness: ["dry"] },
    rules: { noMachines: true },
    note: "Broom and gorse on the bluff, above rare bunchgrass.",
    plants: ["Cytisus scoparius", "Ulex europaeus", "Genista monspessulana", "Festuca roemeri", "Lomatium nudicaule"],
  },
  {
    name: "Upper Oaks",
    spots: ["Under the old oak", "Salt lick", "West fence", "Spring head", "Between two stones"],
    ring: [
      [-2400, 2500],
      [-900, 2600],
      [-800, 1500],
      [-2300, 1600],
    ],
    setting: { ground: ["oak-pasture", "grassland"], light: ["sun", "half"], wetness: ["dry"] },
    rules: { grazed: true },
    note: "Annual grasses between native bunchgrasses; grazed from April.",
    plants: [
      "Taeniatherum caput-medusae",
      "Ventenata dubia",
      "Elymus glaucus",
      "Danthonia californica",
      "Toxicodendron diversilobum",
      "Hypochaeris radicata",
    ],
  },
  {
    name: "Seed Fields",
    spots: ["North headland", "By the baler track", "East strip", "Wet hollow", "South headland"],
    ring: [
      [-700, 2600],
      [1100, 2700],
      [1200, 1700],
      [-600, 1600],
    ],
    setting: { ground: ["field", "grassland"], light: ["sun"], wetness: ["moist"] },
    rules: { hayed: true },
    note: "Grass for seed: tall fescue is the crop here.",
    plants: ["Convolvulus arvensis", "Jacobaea vulgaris", "Schedonorus arundinaceus", "Poa trivialis"],
  },
  {
    name: "Long Hay Meadow",
    spots: ["Gate corner", "Along the swale", "By the hay shed", "North strip", "South strip"],
    ring: [
      [-700, 1450],
      [1200, 1550],
      [1300, 500],
      [-600, 400],
    ],
    setting: { ground: ["grassland"], light: ["sun"], wetness: ["moist"] },
    rules: { hayed: true, grazed: true },
    note: "A yellow daisy, poisonous in hay, next to a native one.",
    plants: [
      "Jacobaea vulgaris",
      "Tanacetum vulgare",
      "Leucanthemum vulgare",
      "Senecio triangularis",
      "Achillea millefolium",
      "Anthoxanthum odoratum",
    ],
  },
  {
    name: "Otter Reach, river wood",
    spots: ["Upper bend", "Alder stand", "By the fallen cottonwood", "Old oxbow", "Lower bend"],
    ring: [
      [1500, 2400],
      [2600, 2300],
      [2500, 900],
      [1450, 900],
    ],
    setting: { ground: ["riverbank", "woodland"], light: ["half"], wetness: ["moist", "wet"] },
    rules: { foraged: true },
    note: "A giant umbel by the river where its native cousin also grows.",
    plants: [
      "Heracleum mantegazzianum",
      "Clematis vitalba",
      "Heracleum maximum",
      "Clematis ligusticifolia",
      "Angelica genuflexa",
      "Aruncus dioicus",
    ],
  },
  {
    name: "Gravel Bar",
    spots: ["Head of the bar", "Driftwood pile", "Side channel", "Tail of the bar", "Willow edge"],
    ring: [
      [1500, 800],
      [2400, 800],
      [2300, 100],
      [1550, 50],
    ],
    setting: { ground: ["riverbank"], light: ["sun"], wetness: ["moist"] },
    rules: { noProduct: true },
    note: "A cane on the bar, a day's float above the town water.",
    plants: ["Reynoutria ×bohemica", "Reynoutria japonica", "Impatiens glandulifera", "Crataegus douglasii"],
  },
  {
    name: "Fern Wood",
    spots: ["North ride", "By the nurse log", "Seep", "South ride", "Hazel clump"],
    ring: [
      [-2400, 1400],
      [-900, 1350],
      [-850, 300],
      [-2300, 350],
    ],
    setting: { ground: ["woodland"], light: ["shade", "half"], wetness: ["moist"] },
    rules: {},
    note: "A shade grass among its native look-alikes.",
    plants: [
      "Brachypodium sylvaticum",
      "Hedera helix",
      "Ilex aquifolium",
      "Bromus vulgaris",
      "Mahonia aquifolium",
      "Osmorhiza berteroi",
    ],
  },
  {
    name: "Bramble Lane",
    spots: ["First bend", "Stone wall", "By the mailbox", "Second bend", "Lane end"],
    ring: [
      [-3900, 1300],
      [-2600, 1350],
      [-2550, 700],
      [-3850, 600],
    ],
    setting: { ground: ["edge"], light: ["sun", "half"], wetness: ["moist"] },
    rules: { foraged: true },
    note: "Two brambles; one is kept.",
    plants: [
      "Rubus armeniacus",
      "Rubus laciniatus",
      "Rosa rubiginosa",
      "Rubus ursinus",
      "Rosa nutkana",
      "Crataegus monogyna",
    ],
  },
  {
    name: "Mirror Lake landing",
    spots: ["Off the landing", "North cove", "Lily bay", "Off the east shore", "South shallows"],
    ring: [
      [-300, 150],
      [900, 200],
      [950, -600],
      [-250, -650],
    ],
    setting: { ground: ["water"], light: ["sun"], wetness: ["standing"] },
    rules: { noProduct: true },
    note: "Water weeds come with boats.",
    plants: [
      "Myriophyllum spicatum",
      "Egeria densa",
      "Ludwigia peploides",
      "Myriophyllum sibiricum",
      "Elodea canadensis",
      "Potamogeton richardsonii",
    ],
  },
  {
    name: "Mill Ditch",
    spots: ["At the sluice", "Middle culvert", "Below the weir", "Ditch head", "Old footbridge"],
    ring: [
      [1100, 0],
      [1450, 0],
      [1500, -1200],
      [1050, -1200],
    ],
    setting: { ground: ["marsh"], light: ["sun", "half"], wetness: ["wet"] },
    rules: { noMachines: true },
    note: "Two hemlocks, one kept; both deadly.",
    plants: ["Conium maculatum", "Cicuta douglasii", "Oenanthe sarmentosa", "Deschampsia cespitosa"],
  },
  {
    name: "Old Orchard",
    spots: ["Behind the barn", "Apple row three", "Sheep gate", "South fence", "Pear corner"],
    ring: [
      [-2300, 200],
      [-900, 200],
      [-950, -700],
      [-2250, -650],
    ],
    setting: { ground: ["edge", "grassland"], light: ["sun", "half"], wetness: ["moist"] },
    rules: { grazed: true },
    note: "Hay and sheep by turns.",
    plants: [
      "Rosa multiflora",
      "Anthriscus sylvestris",
      "Artemisia vulgaris",
      "Holcus lanatus",
      "Taraxacum officinale",
    ],
  },
  {
    name: "South Gate verge",
    spots: ["By the gate post", "Gravel heap", "Culvert mouth", "Bus stop", "Far end of the verge"],
    ring: [
      [-3800, 450],
      [-2500, 500],
      [-2450, -300],
      [-3750, -350],
    ],
    setting: { ground: ["edge", "field"], light: ["sun"], wetness: ["dry", "moist"] },
    rules: {},
    note: "Everything that arrives arrives here first.",
    plants: ["Pilosella aurantiaca", "Cytisus scoparius", "Daucus carota", "Agoseris grandiflora"],
  },
];
