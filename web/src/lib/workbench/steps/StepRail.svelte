<script lang="ts">
  import { Check } from '@lucide/svelte';
  import { STEP_WORDS, WORK_STEPS, type WorkStep } from './work-steps.ts';

  interface Props {
    step: WorkStep;
    /** How much is open in each step; undefined while that is not known. */
    open: Readonly<Record<WorkStep, number>> | undefined;
    /** `byPointer` tells that the keys are wanted on the sheet again. */
    ongo: (step: WorkStep, byPointer: boolean) => void;
  }
  const { step, open, ongo }: Props = $props();
</script>

<nav aria-label="Steps of the work" class="rail" data-testid="steps">
  <ol>
    {#each WORK_STEPS as each, index (each)}
      {@const count = open?.[each]}
      <li>
        <button
          class:here={each === step}
          aria-current={each === step ? 'step' : undefined}
          title={STEP_WORDS[each].purpose}
          onclick={({ detail }) => ongo(each, detail > 0)}
        >
          <span class="number" aria-hidden="true">{index + 1}</span>
          <span class="name">{STEP_WORDS[each].name}</span>
          {#if count}
            <span class="count">{count}<span class="sr-only"> open</span></span>
          {:else if count === 0}
            <Check class="size-3.5" aria-label="nothing open" />
          {/if}
        </button>
      </li>
    {/each}
  </ol>
</nav>

<style>
  .rail ol {
    display: flex;
    gap: 0.1rem;
    padding: 0.3rem;
    overflow-x: auto;
  }
  button {
    /* What is only said scrolls along. */
    position: relative;
    display: flex;
    align-items: center;
    gap: 0.4rem;
    width: 100%;
    min-height: 2rem;
    padding: 0.2rem 0.5rem;
    border-radius: var(--radius-field);
    font-size: 0.92rem;
    font-weight: 600;
    text-align: left;
    white-space: nowrap;
    cursor: pointer;
  }
  button:hover {
    background: var(--color-base-200);
  }
  button.here {
    background: var(--color-secondary);
    color: var(--color-secondary-content);
  }
  .number {
    font-family: var(--font-serif);
    font-weight: 400;
    color: color-mix(in oklab, currentColor 80%, transparent);
  }
  .name {
    flex: 1;
  }
  .count {
    font-size: 0.8rem;
    font-variant-numeric: tabular-nums;
  }
  @media (min-width: 64rem) {
    .rail ol {
      flex-direction: column;
      overflow: visible;
    }
  }
  @media (pointer: coarse) {
    button {
      min-height: 44px;
    }
  }
</style>
