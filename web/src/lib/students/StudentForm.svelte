<script lang="ts">
  import { HAND_NAMES, type FingerPair } from '@oculon/core';
  import SelectField from '../shell/SelectField.svelte';
  import { LANGUAGE_NAMES, NOTE_NAMES, WEEKDAY_NAMES } from '../shell/choices.ts';
  import Field from '../shell/Field.svelte';
  import { say } from '../words.ts';
  import HandMeasures from './HandMeasures.svelte';

  interface Values {
    readonly name: string;
    readonly level: string;
    readonly language: string;
    readonly noteNames: string;
    readonly hand: string;
    readonly spans: Readonly<Partial<Record<FingerPair, number>>>;
    readonly instrumentId: string | null;
    readonly minutesADay: number;
    readonly days: readonly number[];
    readonly notes: string;
  }
  interface Props {
    readonly values: Values;
    readonly instruments: readonly { readonly id: string; readonly name: string }[];
    readonly problems: Readonly<Record<string, string>>;
    readonly action: string;
    readonly button: string;
  }
  const { values, instruments, problems, action, button }: Props = $props();
</script>

<form method="POST" {action} class="grid gap-4 sm:grid-cols-2">
  <Field
    label="Name or initials"
    name="name"
    required
    maxlength={100}
    value={values.name}
    problem={problems.name}
  />
  <Field
    label="Level, in words"
    name="level"
    maxlength={200}
    placeholder="third year, first pieces in two voices"
    value={values.level}
    problem={problems.level}
  />
  <SelectField label="Language" name="language" value={values.language} options={LANGUAGE_NAMES} />
  <SelectField label="Names of notes" name="noteNames" value={values.noteNames} options={NOTE_NAMES} />
  <SelectField
    label="Hand"
    name="hand"
    value={values.hand}
    options={HAND_NAMES.map((hand) => [hand, say(`hand.${hand}`)] as const)}
  />
  <div>
    <SelectField
      label="Instrument"
      name="instrumentId"
      value={values.instrumentId ?? ''}
      options={[['', 'none of its own'], ...instruments.map(({ id, name }) => [id, name] as const)]}
    />
    <a class="link mt-1 inline-block text-xs" href="/instruments">Instruments</a>
  </div>
  <div class="sm:col-span-2"><HandMeasures spans={values.spans} {problems} /></div>
  <Field
    label="Minutes of practice a day"
    name="minutesADay"
    type="number"
    min={0}
    max={600}
    value={values.minutesADay}
    problem={problems.minutesADay}
  />
  <fieldset>
    <legend class="text-sm font-medium">Days</legend>
    <div class="mt-2 flex flex-wrap gap-x-3 gap-y-1">
      {#each WEEKDAY_NAMES as day, index (day)}
        <label class="flex items-center gap-1 text-sm">
          <input
            type="checkbox"
            class="checkbox checkbox-sm"
            name="days"
            value={index + 1}
            defaultChecked={values.days.includes(index + 1)}
          />{day}
        </label>
      {/each}
    </div>
  </fieldset>
  <label class="block sm:col-span-2">
    <span class="text-sm font-medium">Notes</span>
    <textarea name="notes" class="textarea mt-1 w-full" rows="4" maxlength="5000" defaultValue={values.notes}
    ></textarea>
    {#if problems.notes}<span class="text-xs text-error">{problems.notes}</span>{/if}
  </label>
  <div class="sm:col-span-2"><button class="btn btn-primary">{button}</button></div>
</form>
