/** The invented valley: shapes in meters east and north of a point in the open ocean, so that it lies nowhere. */
export const ORIGIN: [number, number] = [-131.2, 44.35];
export type Metres = [number, number];

export function toLngLat([east, north]: Metres): [number, number] {
  const [lng, lat] = ORIGIN;
  return [
    Number((lng + east / (111320 * Math.cos((lat * Math.PI) / 180))).toFixed(7)),
    Number((lat + north / 110574).toFixed(7)),
  ];
}

export const polygon = (ring: Metres[]) => ({
  type: "Polygon" as const,
  coordinates: [[...ring, ring[0]].map(toLngLat)],
});
export const path = (points: Metres[]) => ({ type: "LineString" as const, coordinates: points.map(toLngLat) });
export const point = (at: Metres) => ({ type: "Point" as const, coordinates: toLngLat(at) });

export interface SampleSite {
  name: string;
  ring: Metres[];
  setting: Record<string, string[]>;
  rules: Record<string, boolean>;
  note: string;
  /** plants that stand here, targets first */
  plants: string[];
}

export const SITES: SampleSite[] = [
  {
    name: "Bluff Prairie",
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

export const FEATURES = [
  {
    kind: "river",
    name: "Otter River",
    shape: path([
      [2000, 3200],
      [2150, 2600],
      [1950, 2000],
      [2100, 1400],
      [1900, 900],
      [2050, 400],
      [1850, -200],
      [1950, -900],
      [1800, -1600],
    ]),
  },
  {
    kind: "creek",
    name: "Mill Creek",
    shape: path([
      [-2900, 900],
      [-2000, 500],
      [-900, 250],
      [200, 250],
      [1000, -100],
      [1300, -500],
      [1850, -600],
    ]),
  },
  {
    kind: "lake",
    name: "Mirror Lake",
    shape: polygon([
      [-200, 50],
      [250, 130],
      [700, 90],
      [820, -200],
      [650, -520],
      [150, -560],
      [-150, -300],
    ]),
  },
  { kind: "landing", name: "Boat landing", shape: point([-180, -120]) },
  {
    kind: "track",
    name: "Ridge track",
    shape: path([
      [-4000, 1420],
      [-2500, 1500],
      [-800, 1480],
      [1300, 1600],
      [1480, 2300],
    ]),
  },
  {
    kind: "track",
    name: "Lake road",
    shape: path([
      [-4000, -420],
      [-2400, -320],
      [-1000, -200],
      [-260, -180],
    ]),
  },
  {
    kind: "wood",
    name: "Fern Wood",
    shape: polygon([
      [-2350, 1350],
      [-950, 1300],
      [-900, 350],
      [-2250, 400],
    ]),
  },
  {
    kind: "wood",
    name: "River wood",
    shape: polygon([
      [1550, 2350],
      [1900, 2350],
      [1880, 1000],
      [1500, 950],
    ]),
  },
  {
    kind: "field",
    name: "North field",
    shape: polygon([
      [-650, 2550],
      [300, 2600],
      [350, 1750],
      [-580, 1680],
    ]),
  },
  {
    kind: "field",
    name: "East field",
    shape: polygon([
      [380, 2600],
      [1050, 2640],
      [1120, 1780],
      [420, 1740],
    ]),
  },
] as const;
