import type { Later } from "@/core/identify";
import { laterWords } from "./todo-words";

/** What other stages would show; from today, where some of their kind may stand in such a stage already. */
export function IfNotToday({
  later,
  today,
  nameOf,
  names,
}: {
  later: Later[];
  today: string;
  nameOf: (id: string) => string;
  names: Record<string, string>;
}) {
  if (later.length === 0) return null;
  return (
    <section className="mt-6">
      <h2 className="ruled">
        If this plant cannot settle it today<span className="small">what else would settle it, and from what day</span>
      </h2>
      <ul className="grid sm:grid-cols-3 gap-x-4 gap-y-2 mt-2">
        {later.slice(0, 3).map((item) => (
          <li key={`${item.character} ${item.parts[1]}`}>
            <span className="font-semibold">{nameOf(item.character)}</span>
            <br />
            <span className="small">
              {laterWords(item, today)} · tells {names[item.parts[0]] ?? item.parts[0]} from{" "}
              {names[item.parts[1]] ?? item.parts[1]}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
