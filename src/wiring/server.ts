import type { CameraPort } from "@/ports/camera";
import { drawnCamera } from "@/stand-ins/drawn-camera";
import { isDemonstration } from "@/env";

/** What the web process is given besides the database. Stand-ins are for the demonstration alone: elsewhere there is none. */
export const camera = (): CameraPort | null => (isDemonstration() ? drawnCamera : null);
