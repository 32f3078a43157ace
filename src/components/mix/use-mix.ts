"use client";
import { useEffect, useRef, useState } from "react";
import { openStore } from "../device/store";
import { FIELD_KINDS, type MixEntry, mixId, siOf } from "./mix-entry";
import { fromSi, readNumber, type System, SYSTEMS, toSi } from "./mix-units";

export interface Mix extends MixEntry {
  type: (field: string, text: string) => void;
  choose: (system: System) => void;
  /** the field's number in SI, or undefined where it is none */
  si: (field: string) => number | undefined;
  /** writes an SI number into a field, in the person's own unit */
  put: (field: string, si: number) => void;
  ready: boolean;
  planId: string;
}

const SYSTEM_KEY = "merry-sentinel.units";
const plain = (value: number): string => String(Number(value.toPrecision(6)));

/**
 * The numbers of the mix screens, kept on this device for a person and a plan: what is typed once is there on every screen, after a
 * reload, and without a signal.
 */
export function useMix(key: string, planId: string, units: System, given: Record<string, number>): Mix {
  const [entry, setEntry] = useState<MixEntry>({ system: units, typed: {} });
  const [ready, setReady] = useState(false);
  const id = mixId(key, planId);
  const first = useRef(given);
  useEffect(() => {
    const start = (held: MixEntry | undefined) => {
      const system = storedSystem() ?? units;
      const asked = Object.fromEntries(
        Object.entries(first.current).map(([field, si]) => [
          field,
          plain(fromSi(FIELD_KINDS[field] ?? "area", system, si)),
        ]),
      );
      setEntry(held ? inSystem(held, system) : { system, typed: asked });
      setReady(true);
    };
    openStore()
      .then(async (s) => start((await s.mixes.get(id))?.entry))
      .catch(() => start(undefined));
  }, [id, units]);
  const keep = (next: MixEntry) => {
    setEntry(next);
    openStore()
      .then((s) => s.mixes.put({ id, key, entry: next }))
      .catch(() => undefined);
  };
  const { system, typed } = entry;
  return {
    ...{ system, typed, ready, planId },
    type: (field, text) => keep({ system, typed: { ...typed, [field]: text } }),
    choose: (next) => {
      localStorage.setItem(SYSTEM_KEY, next);
      keep(inSystem(entry, next));
    },
    si: (field) => siOf(entry, field),
    put: (field, si) => {
      const kind = FIELD_KINDS[field];
      keep({ system, typed: { ...typed, [field]: plain(kind ? fromSi(kind, system, si) : si) } });
    },
  };
}

function storedSystem(): System | null {
  const held = localStorage.getItem(SYSTEM_KEY);
  return SYSTEMS.find((system) => system === held) ?? null;
}

/** The same amounts in other units; a rate of a product keeps the unit of its label. */
function inSystem({ system, typed }: MixEntry, next: System): MixEntry {
  if (system === next) return { system, typed };
  const changed = Object.entries(typed).map(([field, text]) => {
    const kind = FIELD_KINDS[field];
    const value = readNumber(text);
    return [field, kind && value !== undefined ? plain(fromSi(kind, next, toSi(kind, system, value))) : text];
  });
  return { system: next, typed: Object.fromEntries(changed) };
}
