import { expect, test } from "vitest";
import { readAreaMap } from "./index.ts";

const file = (geometry: object, properties: unknown = { kind: "water" }) =>
  JSON.stringify({ type: "FeatureCollection", features: [{ type: "Feature", geometry, properties }] });
const coast = {
  type: "LineString",
  coordinates: [
    [-4.7, 50.4],
    [-4.6, 50.5],
  ],
};

test("a map of lines and areas is read; what a feature is drawn as is its kind, or nothing special", () => {
  expect(readAreaMap(file(coast)).map?.features[0]?.properties.kind).toBe("water");
  expect(readAreaMap(file(coast, { kind: "castle" })).map?.features[0]?.properties.kind).toBe("other");
  expect(readAreaMap(file(coast, null)).map?.features[0]?.properties.kind).toBe("other");
});

test("whatever is none says so in a sentence", () => {
  expect(readAreaMap("coast").problem).toBe("This is no GeoJSON file. Choose a file that ends in .geojson.");
  const says = "The file is no collection of lines and areas in longitude and latitude";
  expect(readAreaMap("{}").problem).toContain(says);
  expect(readAreaMap(file({ type: "Point", coordinates: [-4.7, 50.4] })).problem).toContain(says);
  // Latitude before longitude, far from any place on the globe.
  expect(
    readAreaMap(
      file({
        ...coast,
        coordinates: [
          [50.4, 187],
          [50.5, 190],
        ],
      }),
    ).problem,
  ).toContain("coordinates");
  expect(readAreaMap(file({ ...coast, coordinates: [[-4.7, 50.4]] })).problem).toContain(says);
});
