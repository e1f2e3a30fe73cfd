<script lang="ts">
  import { untrack } from 'svelte';
  import type { Workbench } from '../workbench.svelte.ts';
  import { MINUTE_STEPS, MINUTE_WORDS, type FirstMinute } from './first-minute.svelte.ts';

  /** One step of the first minute; doing what it says goes on. */
  const { minute, workbench }: { minute: FirstMinute; workbench: Workbench } = $props();

  const step = $derived(minute.step ?? 'done');
  const words = $derived(MINUTE_WORDS[step]);
  const place = $derived(MINUTE_STEPS.indexOf(step) + 1);
  /** What has to be done is waited for; what is only read has a button. */
  const isRead = $derived(step === 'gives-way' || step === 'done');

  /** How things stood when the step began: what was done before does not count. */
  let before: { readonly step: string; readonly caret: number; readonly fingering: unknown } | undefined;
  $effect(() => {
    const { caret, decisions, planned, view } = workbench;
    const now = { step, caret: caret.index, fingering: decisions.fingering };
    if (before?.step !== step) before = now;
    const isDone =
      (step === 'proposal' && now.caret !== before.caret) ||
      ((step === 'finger' || step === 'take-back') &&
        now.fingering !== before.fingering &&
        !planned.planning) ||
      (step === 'hard-bars' && view.step === 'hard');
    if (isDone) untrack(() => minute.next());
  });
</script>

<section class="card" aria-label="The first minute" data-testid="first-minute">
  <h2 class="font-serif text-base" aria-live="polite">{words.title}</h2>
  <p class="text-sm">{words.text}</p>
  <div class="mt-2 flex items-center gap-2">
    <span class="text-xs opacity-80">{place} of {MINUTE_STEPS.length}</span>
    <span class="grow"></span>
    {#if step !== 'done'}
      <button class="btn btn-ghost btn-xs" onclick={() => minute.end()}>Leave it</button>
      {#if !isRead}<button class="btn btn-ghost btn-xs" onclick={() => minute.next()}>Go on</button>{/if}
    {/if}
    {#if isRead}
      <button class="btn btn-primary btn-xs" onclick={() => minute.next()}
        >{step === 'done' ? 'Close' : 'Go on'}</button
      >
    {/if}
  </div>
</section>

<style>
  .card {
    position: absolute;
    left: 1rem;
    bottom: 1rem;
    z-index: 15;
    width: min(22rem, calc(100% - 2rem));
    padding: 0.75rem 1rem;
    border: 1px solid var(--color-warning);
    border-radius: var(--radius-box);
    background: var(--color-base-100);
    box-shadow: 0 6px 20px rgb(0 0 0 / 0.18);
  }
  .card :global(button) {
    min-height: 24px;
  }
  @media print {
    .card {
      display: none;
    }
  }
</style>
