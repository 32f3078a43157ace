/** Stands in for the marker that keeps server code out of browser bundles; tests are neither. */
export {};
