import type { CameraPort } from "./ports/camera";
import type { MailPort } from "./ports/mail";
import { drawnCamera } from "./stand-ins/drawn-camera";
import { outboxMail } from "./stand-ins/outbox-mail";

/** The one place that picks stand-ins or real adapters. */
export const mail: MailPort = outboxMail;
export const camera: CameraPort = drawnCamera;
export const isDemonstration = (): boolean => process.env.DEMO === "1";
