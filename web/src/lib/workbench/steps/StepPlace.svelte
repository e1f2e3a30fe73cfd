<script lang="ts">
  import type { ComponentProps } from 'svelte';
  import NotFetched from '../../NotFetched.svelte';
  import Part from '../../Part.svelte';
  import DeskStatus from '../DeskStatus.svelte';
  import StepPane from './StepPane.svelte';
  import type { WorkStep } from './work-steps.ts';

  interface Props extends ComponentProps<typeof StepPane> {
    /** What the version at hand is called. */
    versionName: string;
    exportProblem: string;
    /** Whether the step waits for the music. */
    isAwaited: boolean;
  }
  /** Where the step is worked on; what was done, or another version, takes its place while it is looked at. */
  const { versionName, exportProblem, isAwaited, ...step }: Props = $props();

  const { piece, planned, past, against, view, notice } = $derived(step.workbench);
  let place = $state<HTMLElement>();
  let shown: WorkStep | undefined;
  // Another step begins at its top; at the first nothing has been scrolled yet, and to ask for it would lay the page out at once.
  $effect(() => {
    if (shown && shown !== view.step) place?.scrollTo({ top: 0 });
    shown = view.step;
  });
</script>

<div class="step" bind:this={place}>
  <DeskStatus {planned} {notice} problem={exportProblem} />
  {#if past.isOpen && piece.score}
    {@const score = piece.score}
    <Part name="What was done">
      {#await import('../past/PastPanel.svelte') then { default: PastPanel }}
        <PastPanel {past} {score} ondone={step.ondone} />
      {:catch}
        <NotFetched />
      {/await}
    </Part>
  {:else if against.version && piece.score}
    {@const score = piece.score}
    <Part name="The other version">
      {#await import('../versions/AgainstPanel.svelte') then { default: AgainstPanel }}
        <AgainstPanel {against} {planned} {score} name={versionName} onjump={step.onjump} />
      {:catch}
        <NotFetched />
      {/await}
    </Part>
  {:else if !isAwaited}
    <StepPane {...step} />
  {/if}
</div>

<style>
  .step {
    min-height: 0;
    overflow-y: auto;
    padding-inline: 0.25rem;
  }
  @media (max-width: 44rem) {
    .step {
      overflow: visible;
    }
  }
  @media (min-width: 64rem) {
    .step {
      flex: 1;
      padding: 0.5rem 0.75rem;
    }
  }
</style>
