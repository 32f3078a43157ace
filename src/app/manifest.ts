import type { MetadataRoute } from "next";

/** What a phone needs to keep the application among its own. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: "Merry Sentinel",
    short_name: "Sentinel",
    description: "Know the plant before you act.",
    start_url: "/today",
    scope: "/",
    display: "standalone",
    background_color: "#f5f1e6",
    theme_color: "#f5f1e6",
    icons: [
      { src: "/icons/192.png", sizes: "192x192", type: "image/png" },
      { src: "/icons/512.png", sizes: "512x512", type: "image/png" },
      { src: "/icons/512.png", sizes: "512x512", type: "image/png", purpose: "maskable" },
    ],
  };
}
