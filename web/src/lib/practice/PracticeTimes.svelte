<script lang="ts">
  import { enhance } from '$app/forms';
  import Field from '../shell/Field.svelte';
  import { WEEKDAY_NAMES } from '../shell/choices.ts';

  interface Props {
    minutes: number;
    weekdays: readonly number[];
    problems: Readonly<Record<string, string>>;
  }
  const { minutes, weekdays, problems }: Props = $props();
</script>

<section aria-labelledby="times-heading">
  <h2 id="times-heading" class="text-lg">Time</h2>
  <form
    method="POST"
    action="?/times"
    class="mt-2 space-y-3"
    use:enhance={() =>
      async ({ update }) =>
        update({ reset: false })}
  >
    <div class="w-32">
      <Field
        label="Minutes a day"
        name="minutesADay"
        type="number"
        min={0}
        max={600}
        required
        value={minutes}
        problem={problems.minutesADay}
      />
    </div>
    <fieldset>
      <legend class="text-sm font-medium">Days</legend>
      <div class="mt-1 flex flex-wrap gap-3 text-sm">
        {#each WEEKDAY_NAMES as name, index (name)}
          <label class="flex items-center gap-1"
            ><input
              type="checkbox"
              class="checkbox checkbox-sm"
              name="days"
              value={index + 1}
              defaultChecked={weekdays.includes(index + 1)}
            />{name}</label
          >
        {/each}
      </div>
    </fieldset>
    <button class="btn btn-sm">Plan with it</button>
  </form>
</section>
