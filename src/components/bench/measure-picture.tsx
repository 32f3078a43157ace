"use client";

import { Button } from "../ui/button";
import dynamic from "next/dynamic";
import { useEffect, useState } from "react";
import type { Character } from "@/core/flora";
import { type Marks, toolFor } from "@/core/measure";
import type { StoredPicture } from "../device/stored";
import type { Wanted } from "../measure/measure-sheet";

const MeasureSheet = dynamic(() => import("../measure/measure-sheet").then((m) => m.MeasureSheet), { ssr: false });

/** A measured character as the sheet wants it. */
export const wantedOf = ({ id, name, kind, unit }: Character): Wanted => ({
  id,
  name,
  kind,
  unit,
  tool: toolFor({ kind }),
});

/** A stored picture on the measuring sheet. */
export function OpenPicture({
  picture,
  wanted,
  onKeep,
  onUse,
  onClose,
}: {
  picture: StoredPicture;
  wanted: Wanted | null;
  onKeep: (marks: Marks) => void;
  onUse?: (values: number[], half: number) => void;
  onClose: () => void;
}) {
  const [src, setSrc] = useState("");
  useEffect(() => {
    const made = URL.createObjectURL(picture.blob);
    setSrc(made);
    return () => URL.revokeObjectURL(made);
  }, [picture.blob]);
  return src ? (
    <MeasureSheet
      src={src}
      marks={picture.marks ?? null}
      wanted={wanted}
      onKeep={onKeep}
      onUse={onUse}
      onClose={onClose}
    />
  ) : null;
}

/** Where the picture to measure on comes from: the camera or a file, one that is here already, or a drawn one to practice on. */
export function MeasureOn({
  pictures,
  mayDraw,
  onFiles,
  onPicture,
}: {
  pictures: StoredPicture[];
  mayDraw: boolean;
  onFiles: (files: File[], drawn: boolean) => void;
  onPicture: (picture: StoredPicture) => void;
}) {
  const [fault, setFault] = useState("");
  const draw = async () => {
    const seed = Math.floor(Math.random() * 1e6);
    const response = await fetch(`/api/v1/sample-photo?seed=${seed}`).catch(() => null);
    if (!response?.ok) return setFault("Drawn pictures need a signal.");
    onFiles([new File([await response.blob()], `drawn-${seed}.jpg`, { type: "image/jpeg" })], true);
  };
  return (
    <fieldset className="mt-3 flex flex-wrap gap-2 items-center border-l-4 border-[var(--rule)] pl-3">
      <legend className="small">Or measure it on a picture. Lay a card beside the plant.</legend>
      <label className="button !py-1">
        <span>Take or choose a picture</span>
        <input
          type="file"
          accept="image/*"
          capture="environment"
          className="sr-only"
          onChange={(e) => {
            onFiles([...(e.target.files ?? [])].slice(0, 1), false);
            e.target.value = "";
          }}
        />
      </label>
      {pictures.map((p, i) => (
        <Button key={p.id} className="!py-1" onClick={() => onPicture(p)}>
          Picture {i + 1}
        </Button>
      ))}
      {mayDraw ? (
        <Button look="plain" onClick={draw}>
          A drawn picture for practice
        </Button>
      ) : null}
      {fault ? (
        <span className="fault" role="alert">
          {fault}
        </span>
      ) : null}
    </fieldset>
  );
}
