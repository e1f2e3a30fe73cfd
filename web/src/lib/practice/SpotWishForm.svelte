<script lang="ts">
  import { enhance } from '$app/forms';
  import { dayByClock, dayText, type SpotWish } from '@oculon/core';

  interface Props {
    goal: string;
    spot: string;
    wish: SpotWish | undefined;
  }
  const { goal, spot, wish }: Props = $props();

  const KINDS = [
    ['', 'as it comes'],
    ['every-day', 'every day'],
    ['on-day', 'next on a day'],
    ['left-out', 'left out'],
  ] as const;
  let form: HTMLFormElement;
  // What was chosen last counts until the plan has it.
  let kind = $derived<string>(wish?.kind ?? '');
</script>

<form
  bind:this={form}
  method="POST"
  action="?/wish"
  class="mt-0.5 flex flex-wrap items-center gap-2 text-xs"
  use:enhance={() =>
    async ({ update }) =>
      update({ reset: false })}
>
  <input type="hidden" name="goal" value={goal} />
  <input type="hidden" name="spot" value={spot} />
  <select
    name="kind"
    aria-label="When it is met"
    class="select select-xs w-32"
    bind:value={kind}
    onchange={() => kind !== 'on-day' && form.requestSubmit()}
  >
    {#each KINDS as [value, text] (value)}<option {value}>{text}</option>{/each}
  </select>
  {#if kind === 'on-day'}
    <input
      name="day"
      type="date"
      aria-label="The day"
      class="input input-xs w-36"
      min={dayText(dayByClock(new Date()))}
      defaultValue={wish?.kind === 'on-day' ? wish.day : ''}
      required
    />
    <button class="btn btn-xs">Plan</button>
  {/if}
</form>
