import { STATUSES } from "@/core/flora";
import { Field } from "../ui/action-form";
import { STATUS_WORDS } from "../verdict/marks";

/** What the list says of a plant: what it is, where, and with which plants it is treated alike. */
export const ListFields = ({
  status,
  siteId = "",
  action = "",
  reportFirst = false,
  sites,
}: {
  status: string;
  siteId?: string;
  action?: string;
  reportFirst?: boolean;
  sites: { id: string; name: string }[];
}) => (
  <>
    <Field name="status" label="Status">
      <select name="status" defaultValue={status}>
        {STATUSES.map((s) => (
          <option key={s} value={s}>
            {STATUS_WORDS[s]}
          </option>
        ))}
      </select>
    </Field>
    <Field name="siteId" label="Where">
      <select name="siteId" defaultValue={siteId}>
        <option value="">everywhere in the district</option>
        {sites.map((s) => (
          <option key={s.id} value={s.id}>
            only on {s.name}
          </option>
        ))}
      </select>
    </Field>
    <Field name="action" label="Treated together with" hint="plants with the same word need not be told apart">
      <input name="action" maxLength={80} defaultValue={action} />
    </Field>
    <label className="tick" title="A plant on watch is always reported first. A site cannot take that away.">
      <input type="checkbox" name="reportFirst" defaultChecked={reportFirst} />
      report it first
    </label>
  </>
);
