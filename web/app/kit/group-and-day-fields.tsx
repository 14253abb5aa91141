import { type FieldState, SelectField, TextField } from "./field.tsx";

interface Props {
  readonly fields: { readonly groupId: FieldState; readonly day: FieldState };
  readonly groups: readonly {
    readonly id: string;
    readonly name: string;
    /** The next day on which the group meets; left out where the day does not follow the group. */
    readonly next?: string;
  }[];
  /** The group that is chosen now, by its id. */
  readonly chosen?: string | undefined;
  readonly choose?: (groupId: string) => void;
}

/** A group and a day. The day follows the group, whose next meeting is most often the one to be planned. */
export function GroupAndDayFields({ fields: { groupId, day }, groups, chosen, choose }: Props) {
  const next = chosen === groups[0]?.id ? undefined : groups.find(({ id }) => id === chosen)?.next;
  return (
    <>
      <SelectField
        field={groupId}
        label="Group"
        options={groups.map(({ id, name }) => [id, name] as const)}
        asWritten
        {...(choose && { onChange: choose })}
      />
      <TextField
        key={chosen}
        field={next === undefined ? day : { id: day.id, name: day.name, errors: day.errors, initialValue: next }}
        label="Day"
        type="date"
      />
    </>
  );
}
