<script lang="ts">
  import type { CurrentPlan } from '../planner/current-plan.svelte.ts';

  /** What the planner is doing, and news for the teacher. */
  const { planned, notice, problem }: { planned: CurrentPlan; notice: string; problem: string } = $props();
</script>

<div
  class="mb-2 min-h-5 text-xs"
  role="status"
  aria-live="polite"
  aria-busy={planned.planning}
  data-testid="status"
>
  {#if planned.slow}
    <progress class="progress progress-secondary w-40" value={planned.progress} max="1" aria-label="Planning"
    ></progress> planning …
  {:else if notice}
    <span class="text-sm">{notice}</span>
  {:else if planned.plan}
    <span class="opacity-80"
      >Planned in {Math.round(planned.plan.ms)} ms. Effort: left {planned.plan.leftCost.toFixed(1)}, right
      {planned.plan.rightCost.toFixed(1)}</span
    >
  {/if}
</div>
{#if problem}<p role="alert" class="mb-2 text-sm text-error">{problem}</p>{/if}
