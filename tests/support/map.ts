/** Column and row of the map's tile at a place, longitude and latitude (Web Mercator). */
export function tileAt(zoom: number, [lng, lat]: [number, number]): [number, number] {
  const y = (1 - Math.asinh(Math.tan((lat * Math.PI) / 180)) / Math.PI) / 2;
  return [Math.floor(((lng + 180) / 360) * 2 ** zoom), Math.floor(y * 2 ** zoom)];
}
