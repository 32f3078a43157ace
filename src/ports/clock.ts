/** What time it is. Days and seasons follow from it by the site's zone and the district's season, never from the machine's own zone. */
export interface ClockPort {
  now(): Date;
}
