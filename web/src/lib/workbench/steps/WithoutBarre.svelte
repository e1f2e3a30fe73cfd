<script lang="ts">
  import { troubleText } from '../../planner/asking.ts';
  import type { MovementWay } from '../../planner/api.ts';
  import type { Decisions } from '../../document/decisions.svelte.ts';
  import type { CurrentPlan } from '../../planner/current-plan.svelte.ts';
  import { leftTermWords } from '../../words.ts';

  interface Props {
    decisions: Decisions;
    planned: CurrentPlan;
    /** The barre, in ticks. */
    onset: number;
    until: number;
    ondone: () => void;
  }
  const { decisions, planned, onset, until, ondone }: Props = $props();

  let asking = $state(false);
  let found = $state.raw<{ readonly plan: unknown; readonly way: MovementWay | undefined }>();
  let problem = $state('');
  const without = $derived(found && found.plan === planned.plan ? found : undefined);

  const ask = async () => {
    const { plan } = planned;
    asking = true;
    problem = '';
    try {
      found = { plan, way: await planned.questions.withoutBarre(onset, until) };
    } catch (error) {
      problem = troubleText(error, 'The way without it could not be worked out. Load the page again.');
    } finally {
      asking = false;
    }
  };
  const take = (way: MovementWay) => {
    decisions.chooseAll(way.choices);
    ondone();
  };
</script>

{#if !without}
  <button class="btn btn-xs" disabled={planned.planning || asking} onclick={ask}
    >Without it{#if asking}<span class="loading loading-dots loading-xs" aria-label="Searching"
      ></span>{/if}</button
  >
{:else if without.way}
  {@const { way } = without}
  <span class="text-xs"
    >{way.price >= 0 ? '+' : '−'}{Math.abs(way.price).toFixed(1)}: {leftTermWords(way.terms)}</span
  >
  <button class="btn btn-xs" onclick={() => take(way)}>Take it</button>
{:else}
  <span class="text-xs">Its notes cannot be held without one.</span>
{/if}
{#if problem}<p role="alert" class="text-xs text-error">{problem}</p>{/if}
