<script lang="ts">
  import { troubleText } from '../../planner/asking.ts';
  import type { ShiftWay } from '../../planner/api.ts';
  import type { OpenPiece } from '../open-piece.svelte.ts';
  import type { Decisions } from '../../document/decisions.svelte.ts';
  import type { CurrentPlan } from '../../planner/current-plan.svelte.ts';
  import { leftTermWords, placeWords, say } from '../../words.ts';

  /** Other moments at which a shift could be made; nothing happens until one is taken. */
  const {
    piece,
    decisions,
    planned,
    slice,
    ondone,
  }: { piece: OpenPiece; decisions: Decisions; planned: CurrentPlan; slice: number; ondone: () => void } =
    $props();

  let asking = $state(false);
  let found = $state.raw<{ readonly plan: unknown; readonly ways: readonly ShiftWay[] }>();
  let problem = $state('');
  /** What was worked out for another plan says nothing of this one. */
  const ways = $derived(found && found.plan === planned.plan ? found.ways : undefined);

  const ask = async () => {
    const { plan } = planned;
    asking = true;
    problem = '';
    try {
      found = { plan, ways: await planned.questions.shiftWays(slice) };
    } catch (error) {
      problem = troubleText(error, 'The other places could not be worked out. Load the page again.');
    } finally {
      asking = false;
    }
  };
  const take = (way: ShiftWay) => {
    decisions.chooseAll(way.choices);
    ondone();
  };
</script>

{#if !ways}
  <button class="btn btn-xs" disabled={planned.planning || asking} onclick={ask}
    >Other places{#if asking}<span class="loading loading-dots loading-xs" aria-label="Searching"
      ></span>{/if}</button
  >
{:else}
  <ul class="space-y-1" aria-label="Other places for the shift">
    {#each ways as way, index (index)}
      <li>
        <button class="btn btn-xs" onclick={() => take(way)}
          >{way.isEarlier ? 'Earlier' : 'Later'}: {placeWords(piece.score!, way.onset)}</button
        >
        <span class="text-xs"
          >{way.price >= 0 ? '+' : '−'}{Math.abs(way.price).toFixed(1)}, {say(`ride.${way.rides}`)}; {leftTermWords(
            way.terms,
          )}</span
        >
      </li>
    {:else}
      <li class="text-xs opacity-80">No other moment is worth a thought.</li>
    {/each}
  </ul>
{/if}
{#if problem}<p role="alert" class="text-xs text-error">{problem}</p>{/if}
