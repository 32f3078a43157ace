import type { ReactNode } from "react";
import { Drawing } from "@/drawings/ink/render";
import { drawState } from "@/drawings/states/draw-state";

/** The cover of the notebook: what one sees before signing in. */
export function Cover({ title, children, aside }: { title: string; children: ReactNode; aside?: ReactNode }) {
  const plates = [
    ["leaf-kind", "three"],
    ["stem-hair", "bristly"],
    ["ligule-kind", "membrane"],
    ["prickle-shape", "hooked"],
    ["head-kind", "short-stalks"],
    ["water-leaf", "feather"],
  ] as const;
  return (
    <div className="min-h-dvh grid md:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
      <section className="bg-[var(--paper)] p-8 md:p-12 border-b md:border-b-0 md:border-r border-[var(--line)] flex flex-col">
        <p className="slab text-[30px] leading-none">Merry Sentinel</p>
        <p className="mt-3 max-w-[34ch] text-[18px]">
          Know the plant before you act. Then plan, do and write it down, once.
        </p>
        <div className="mt-6 hidden md:grid grid-cols-3 gap-3 max-w-[520px]">
          {plates.map(([character, state]) => (
            <Drawing
              key={character}
              shapes={drawState(character, state) ?? []}
              className="w-full drawing-ground border border-[var(--rule)]"
            />
          ))}
        </div>
        <p className="small mt-auto pt-8 max-w-[52ch]">
          Nothing here says that a plant is safe to eat or to touch. The label, local law and a licensed professional
          take precedence over this program.
        </p>
      </section>
      <main className="bg-[var(--sheet)] p-8 md:p-12">
        <div className="max-w-[460px]">
          <h1 className="ruled">{title}</h1>
          {children}
        </div>
        {aside}
      </main>
    </div>
  );
}
