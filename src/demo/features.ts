import { natural, naturalRing } from "./shapes";
import { type Meters, path, point, polygon } from "./valley";

/** The lake's outline: water plants stand within it, and no others. */
const LAKE: Meters[] = [
  [-200, 50],
  [250, 130],
  [700, 90],
  [820, -200],
  [650, -520],
  [150, -560],
  [-150, -300],
];
export const LAKE_SHORE = naturalRing(LAKE, 71, 0.12);

export const FEATURES = [
  {
    kind: "river",
    name: "Otter River",
    shape: path(
      natural(
        [
          [2000, 3200],
          [2150, 2600],
          [1950, 2000],
          [2100, 1400],
          [1900, 900],
          [2050, 400],
          [1850, -200],
          [1950, -900],
          [1800, -1600],
        ],
        101,
      ),
    ),
  },
  {
    kind: "creek",
    name: "Mill Creek",
    shape: path(
      natural(
        [
          [-2900, 900],
          [-2000, 500],
          [-900, 250],
          [200, 250],
          [1000, -100],
          [1300, -500],
          [1850, -600],
        ],
        102,
      ),
    ),
  },
  {
    kind: "lake",
    name: "Mirror Lake",
    shape: polygon(LAKE_SHORE),
  },
  { kind: "landing", name: "Boat landing", shape: point([-180, -120]) },
  {
    kind: "track",
    name: "Ridge track",
    shape: path(
      natural(
        [
          [-4000, 1420],
          [-2500, 1500],
          [-800, 1480],
          [1300, 1600],
          [1480, 2300],
        ],
        103,
      ),
    ),
  },
  {
    kind: "track",
    name: "Lake road",
    shape: path(
      natural(
        [
          [-4000, -420],
          [-2400, -320],
          [-1000, -200],
          [-260, -180],
        ],
        104,
      ),
    ),
  },
  {
    kind: "wood",
    name: "Fern Wood",
    shape: polygon(
      naturalRing(
        [
          [-2350, 1350],
          [-950, 1300],
          [-900, 350],
          [-2250, 400],
        ],
        105,
      ),
    ),
  },
  {
    kind: "wood",
    name: "River wood",
    shape: polygon(
      naturalRing(
        [
          [1550, 2350],
          [1900, 2350],
          [1880, 1000],
          [1500, 950],
        ],
        106,
      ),
    ),
  },
  {
    kind: "field",
    name: "North field",
    shape: polygon(
      naturalRing(
        [
          [-650, 2550],
          [300, 2600],
          [350, 1750],
          [-580, 1680],
        ],
        107,
      ),
    ),
  },
  {
    kind: "field",
    name: "East field",
    shape: polygon(
      naturalRing(
        [
          [380, 2600],
          [1050, 2640],
          [1120, 1780],
          [420, 1740],
        ],
        108,
      ),
    ),
  },
] as const;
