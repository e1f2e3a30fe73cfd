<script lang="ts">
  import {
    dayName,
    later,
    meetingName,
    whyName,
    type Day,
    type NamedGoal,
    type PlannedDay,
    type PlannedMeeting,
    type Wording,
  } from '@oculon/core';
  import type { Snippet } from 'svelte';

  interface Props {
    wording: Wording;
    named: readonly NamedGoal[];
    monday: Day;
    days: readonly PlannedDay[];
    /** What can be done with a meeting. */
    tools?: Snippet<[PlannedMeeting, Day]>;
  }
  const { wording, named, monday, days, tools }: Props = $props();
  const DAYS_PER_WEEK = 7;
  const week = $derived(
    Array.from({ length: DAYS_PER_WEEK }, (_, number) => later(monday, number)).flatMap((day) => {
      const planned = days.find((each) => each.day === day);
      return planned ? [planned] : [];
    }),
  );
</script>

<div class="week">
  {#each week as { day, parts } (day)}
    <section class="day">
      <h3>{dayName(wording, day)}</h3>
      <ul>
        {#each parts as part, place (place)}
          <li class:quiet={part.kind === 'break'}>
            <span class="minutes">{part.minutes}′</span>
            <span class="what">
              {#if part.kind === 'spot' || part.kind === 'again'}
                {meetingName(wording, named, part.kind, part.spot)}
                {#if part.kind === 'spot'}<span class="why">{whyName(wording, part.spot.why)}</span>
                  {@render tools?.(part.spot, day)}{/if}
              {:else}{wording.say(`practice.part.${part.kind}`)}{/if}
            </span>
          </li>
        {/each}
      </ul>
    </section>
  {/each}
</div>

<style>
  .week {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr));
    gap: 1rem;
  }
  h3 {
    font: 600 0.95rem var(--font-serif);
    border-bottom: 1px solid var(--color-base-300);
    padding-bottom: 0.2rem;
  }
  h3::first-letter {
    text-transform: uppercase;
  }
  li {
    display: flex;
    gap: 0.5rem;
    padding-block: 0.15rem;
    font-size: 0.85rem;
    line-height: 1.3;
  }
  .quiet {
    opacity: 0.7;
  }
  .minutes {
    min-width: 2rem;
    text-align: right;
    font-variant-numeric: tabular-nums;
  }
  .what {
    flex: 1;
    min-width: 0;
  }
  .why {
    font-size: 0.75rem;
    opacity: 0.75;
  }
  .day {
    break-inside: avoid;
  }
  @media print {
    .week {
      grid-template-columns: repeat(2, 1fr);
    }
  }
</style>
