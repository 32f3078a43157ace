import { fullDay } from "@/components/words/dates";
import { STAGE_WORDS } from "@/components/words/stages";
import { Item } from "@/components/ui/page";
import type { FindingLine } from "@/server/findings/findings";

/** Number, place, day, stage, scout and point of a finding. */
export const FindingHead = ({ line }: { line: FindingLine }) => (
  <div className="px-4 md:px-6 py-3 flex flex-wrap gap-x-8 gap-y-2">
    <Item name="Finding">
      <h1 className="figure text-[18px] font-normal" style={{ fontFamily: '"Atkinson Hyperlegible Mono"' }}>
        F-{line.number}
      </h1>
    </Item>
    <Item name="Place">{line.siteName}</Item>
    <Item name="Day">
      {fullDay(line.day)}
      {line.enteredLater ? <span className="small block">Entered later, from older notes</span> : null}
    </Item>
    <Item name="Stage seen">{line.stage ? STAGE_WORDS[line.stage] : "not said"}</Item>
    <Item name="By">{line.madeBy}</Item>
    <Item name="Point">
      <span className="figure">
        {line.place[1].toFixed(5)}, {line.place[0].toFixed(5)}
      </span>
    </Item>
  </div>
);
