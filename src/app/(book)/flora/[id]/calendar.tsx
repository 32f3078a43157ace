import { midMonth } from "@/components/words/dates";
import { STAGE_WORDS } from "@/components/words/stages";
import { barkSlipsOn } from "@/core/control";
import { inSeason, type Stage } from "@/core/flora";
import type { PlantPage } from "@/server/flora/plant-page";

const MONTHS = ["J", "F", "M", "A", "M", "J", "J", "A", "S", "O", "N", "D"];

/** In which months the plant is in each stage here. */
export function Calendar({ view: { taxon, here } }: { view: PlantPage }) {
  return (
    <>
      <h2 className="ruled mt-6">
        Calendar
        <span className="small">
          {here.hemisphere}
          {here.seasonShift === 0
            ? ""
            : `, spring ${Math.abs(here.seasonShift)} days ${here.seasonShift > 0 ? "later" : "earlier"}`}
        </span>
      </h2>
      <table className="w-full small">
        <tbody>
          <tr>
            <th scope="row" className="sr-only">
              Month
            </th>
            {MONTHS.map((m, i) => (
              <td key={`${m}${String(i)}`} className="text-center">
                {m}
              </td>
            ))}
          </tr>
          {(Object.keys(taxon.calendar) as Stage[]).map((row) => (
            <Months
              key={row}
              name={STAGE_WORDS[row]}
              ink="var(--moss)"
              isOn={(day) => inSeason(taxon, row, day, here)}
            />
          ))}
          {taxon.barkSlips ? (
            <Months name="Bark slips" ink="var(--madder)" isOn={(day) => barkSlipsOn(taxon, day, here)} />
          ) : null}
        </tbody>
      </table>
    </>
  );
}

const Months = ({ name, ink, isOn }: { name: string; ink: string; isOn: (day: string) => boolean }) => (
  <tr>
    <th scope="row" className="text-left font-normal pr-2">
      {name}
    </th>
    {MONTHS.map((m, i) => {
      const on = isOn(midMonth(i + 1));
      return (
        <td key={`${m}${String(i)}`} className="h-5 border border-[var(--rule)]" style={on ? { background: ink } : {}}>
          <span className="sr-only">{on ? "yes" : ""}</span>
        </td>
      );
    })}
  </tr>
);
