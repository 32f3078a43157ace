/** The options of a select: what stands where nothing is chosen, then each choice by its name. */
export const Options = ({ none, choices }: { none?: string; choices: readonly { id: string; name: string }[] }) => (
  <>
    {none === undefined ? null : <option value="">{none}</option>}
    {choices.map(({ id, name }) => (
      <option key={id} value={id}>
        {name}
      </option>
    ))}
  </>
);
