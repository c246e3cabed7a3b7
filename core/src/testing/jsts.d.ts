// The oracle of the geometry tests: only what they use of it.
declare module 'jsts/org/locationtech/jts/geom/Coordinate.js' {
  export default class Coordinate {
    readonly x: number;
    readonly y: number;
    constructor(x: number, y: number);
  }
}
declare module 'jsts/org/locationtech/jts/geom/PrecisionModel.js' {
  export default class PrecisionModel {
    constructor(scale: number);
  }
}
declare module 'jsts/org/locationtech/jts/geom/GeometryFactory.js' {
  export interface Geometry {
    getArea(): number;
  }
  export default class GeometryFactory {
    constructor(model: object);
    createLineString(coordinates: object[]): Geometry;
  }
}
declare module 'jsts/org/locationtech/jts/operation/polygonize/Polygonizer.js' {
  import type { Geometry } from 'jsts/org/locationtech/jts/geom/GeometryFactory.js';
  export default class Polygonizer {
    add(geometry: Geometry): void;
    getPolygons(): { iterator(): { hasNext(): boolean; next(): Geometry } };
  }
}
declare module 'jsts/java/util/ArrayList.js' {
  export default class ArrayList {
    add(item: object): void;
  }
}
declare module 'jsts/org/locationtech/jts/noding/NodedSegmentString.js' {
  export default class NodedSegmentString {
    constructor(coordinates: object[], data: null);
    getCoordinates(): object[];
  }
}
declare module 'jsts/org/locationtech/jts/noding/snapround/MCIndexSnapRounder.js' {
  import type NodedSegmentString from 'jsts/org/locationtech/jts/noding/NodedSegmentString.js';
  export default class MCIndexSnapRounder {
    constructor(model: object);
    computeNodes(strings: object): void;
    getNodedSubstrings(): { iterator(): { hasNext(): boolean; next(): NodedSegmentString } };
  }
}
