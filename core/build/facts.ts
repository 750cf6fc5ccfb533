/** A bed layer as it is laid. */
export interface LaidLayer {
  id: string;
  name: string;
  litres: number;
  kg: number | null;
  depthMm: readonly [number, number];
  /** Rinsed, left as it is, soaked and pressed, or a filler that gives height. */
  how: 'rinse' | 'coarse' | 'leave' | 'press' | 'filler';
  cloth: boolean;
  zoned: boolean;
}
/** A piece as it is set. */
export interface SetPiece {
  name: string;
  kg: number | null;
  group: 'stone' | 'wood' | 'cave' | 'shell' | 'litter' | 'wall' | 'fitting';
  /** Stands on the glass, and the bed comes around it. */
  onBase: boolean;
  fixing: 'none' | 'weighted' | 'screwed' | 'glued';
  ballastKg: number;
  floats: boolean;
  rawEdges: boolean;
  alive: boolean;
  /** Foam, resin or concrete of one's own making. */
  cast: boolean;
}
export interface SetPlant {
  name: string;
  count: number;
  how: 'rooted' | 'long-stem' | 'on-piece' | 'afloat';
}

/** What of a design decides on the work, in plain figures. */
export interface BuildFacts {
  /** Null while no vessel is chosen. */
  vessel: {
    filledKg: number | null;
    /** Days that it has to stand full: a repaired one longer; 0 where a test was passed. */
    testDays: number;
    /** A sump, pipes or a filter beside it: a second test with the pump running. */
    plumbed: boolean;
    ranTested: boolean;
    background: boolean;
    lid: boolean;
    openings: number;
  } | null;
  mat: boolean;
  diggers: boolean;
  layers: readonly LaidLayer[];
  edges: number;
  capsules: number;
  pieces: readonly SetPiece[];
  /** Mouths of hides that are to be looked at. */
  hides: number;
  rivals: boolean;
  plants: readonly SetPlant[];
  freshSoil: boolean;
  delicateInverts: boolean;
  devices: readonly { kind: string; setPointC: number | null; inside: boolean; mains: boolean }[];
  media: readonly { name: string; litres: number; from: string | null }[];
  water: {
    litres: number | null;
    parts: readonly { name: string; litres: number | null }[];
    salts: readonly { name: string; grams: number | null }[];
    /** Salt or brackish. */
    marine: boolean;
    /** Salt that is dissolved here. */
    seaSalt: boolean;
    conditioner: string | null;
    loose: readonly { name: string; amount: number; in: 'volume' | 'mass' }[];
  };
  gas: boolean;
  ring: boolean;
  guards: number;
  fertilised: boolean;
  lampHours: number | null;
  start: boolean;
}
