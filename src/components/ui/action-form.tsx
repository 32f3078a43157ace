"use client";
import { itemAt } from "@/core/items";
import { readWritten } from "./day-field";
import {
  createContext,
  type FormEvent,
  type ReactNode,
  startTransition,
  useActionState,
  useContext,
  useEffect,
  useRef,
} from "react";

export interface ActionState {
  ok: boolean;
  message: string;
  issues: { field: string; what: string }[];
}
export type FormAction = (previous: ActionState, form: FormData) => Promise<ActionState>;
const START: ActionState = { ok: false, message: "", issues: [] };
const Issues = createContext<ActionState["issues"]>([]);

/**
 * A form that loses nothing: a refused submit keeps what was typed, and with `draft` it is kept on the device
 * until it has been taken. Faults stand at their fields; the first one gets the focus. With `renew` it is emptied
 * for the next entry once it has been taken.
 */
export function ActionForm({
  action,
  draft,
  renew = false,
  children,
  className,
  label,
}: {
  action: FormAction;
  draft?: string;
  renew?: boolean;
  children: ReactNode;
  className?: string;
  label: string;
}) {
  const [state, dispatch, pending] = useActionState(action, START);
  const form = useRef<HTMLFormElement>(null);
  useEffect(() => {
    if (draft && form.current) restore(form.current, draft);
  }, [draft]);
  useEffect(() => {
    if (state.ok && draft && form.current) localStorage.removeItem(draftKey(form.current, draft));
    if (state.ok && renew) form.current?.reset();
    if (!state.ok && state.issues.length > 0)
      form.current?.querySelector<HTMLElement>(focusOf(itemAt(state.issues, 0).field))?.focus();
  }, [state, draft, renew]);
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const submitter = (event.nativeEvent as SubmitEvent).submitter;
    const data = new FormData(event.currentTarget, submitter);
    readWritten(event.currentTarget, data);
    startTransition(() => dispatch(data));
  };
  return (
    <form
      ref={form}
      onSubmit={submit}
      className={className}
      aria-label={label}
      noValidate
      onInput={(e) => draft && keep(e.currentTarget, draft)}
    >
      <Issues.Provider value={state.issues}>
        <fieldset disabled={pending} className="contents">
          {children}
        </fieldset>
        {state.message ? (
          <p role={state.ok ? "status" : "alert"} className={state.ok ? "mt-3 font-semibold" : "fault mt-3"}>
            {state.message}
            {state.issues
              .filter((i) => !form.current?.querySelector(focusOf(i.field)))
              .map((i) => (
                <span key={i.field + i.what} className="block">
                  {i.what}
                </span>
              ))}
          </p>
        ) : null}
      </Issues.Provider>
    </form>
  );
}

/** The control of a fault: the one of that name, or the first in the field that shows it. */
const focusOf = (field: string): string =>
  [`[name="${field}"]`, ...["input", "select", "textarea"].map((tag) => `[data-field="${field}"] ${tag}`)].join(", ");

/** Every form draft on this device, of whomever: they go when the device is wiped. */
export const DRAFT_PREFIX = "draft.";
/** A draft belongs to the person in whose notebook it was typed: nobody else who uses the device is shown it. */
const draftKey = (form: HTMLFormElement, name: string): string =>
  `${DRAFT_PREFIX}${form.closest<HTMLElement>("[data-device-key]")?.dataset.deviceKey ?? "nobody"}.${name}`;

function keep(form: HTMLFormElement, name: string) {
  const values = [...new FormData(form)].filter(
    ([key, value]) => typeof value === "string" && !/password|code|token/.test(key),
  );
  localStorage.setItem(draftKey(form, name), JSON.stringify(values));
}

/** Names and values as `keep` wrote them; whatever else stands there is left. */
function namedValues(kept: unknown): [string, string][] {
  if (!Array.isArray(kept)) return [];
  return kept.flatMap((pair: unknown): [string, string][] => {
    const [name, value] = Array.isArray(pair) ? pair : [];
    return typeof name === "string" && typeof value === "string" ? [[name, value]] : [];
  });
}

function restore(form: HTMLFormElement, name: string) {
  const text = localStorage.getItem(draftKey(form, name));
  if (!text) return;
  for (const [key, value] of namedValues(JSON.parse(text))) {
    const element = form.elements.namedItem(key);
    if (element instanceof HTMLInputElement && (element.type === "hidden" || element.type === "checkbox")) continue;
    if (
      element instanceof HTMLInputElement ||
      element instanceof HTMLSelectElement ||
      element instanceof HTMLTextAreaElement
    ) {
      const setter = Object.getOwnPropertyDescriptor(Object.getPrototypeOf(element), "value")?.set;
      setter?.call(element, value);
      element.dispatchEvent(new Event("input", { bubbles: true }));
      element.dispatchEvent(new Event("change", { bubbles: true }));
    }
  }
}

/** A labelled field on a dotted line, with its fault beneath. */
export function Field({
  name,
  label,
  hint,
  children,
}: {
  name: string;
  label: string;
  hint?: string;
  children: ReactNode;
}) {
  const issues = useContext(Issues).filter((i) => i.field === name);
  return (
    // biome-ignore lint/a11y/noLabelWithoutControl: the control is the child
    <label className="field" data-field={name}>
      <span className="label">
        {label}
        {hint ? ` · ${hint}` : ""}
      </span>
      {children}
      {issues.map((i) => (
        <span key={i.what} role="alert" className="fault block">
          {i.what}
        </span>
      ))}
    </label>
  );
}

/** Faults of a group of inputs that has no single field. */
export function Fault({ name }: { name: string }) {
  const issues = useContext(Issues).filter((i) => i.field === name || i.field.startsWith(`${name}.`));
  return issues.map((i) => (
    <p key={i.what} role="alert" className="fault">
      {i.what}
    </p>
  ));
}
