<script lang="ts">
  import { tick, untrack } from 'svelte';
  import { breakSystems, type SystemPlan } from '../engraving/breaks.ts';
  import { loadMusicFonts } from '../engraving/fonts.ts';
  import type { Origins } from '../engraving/marks.ts';
  import { headerWidths, useMusicFonts } from '../engraving/vexflow-system.ts';
  import { naturalWidth } from '../engraving/widths.ts';
  import { handleKey } from '../workbench/commands.ts';
  import type { Workbench } from '../workbench/workbench.svelte.ts';
  import System from './System.svelte';

  const { workbench, everyString }: { workbench: Workbench; everyString: boolean } = $props();

  let width = $state(0);
  let shown = $state(0);
  let systems = $state.raw<readonly SystemPlan[]>([]);
  let holder: HTMLElement;

  const score = $derived(workbench.score);
  const changed = $derived(new Set(workbench.changes.map((change) => change.note)));

  const origin: Origins = $derived((note, field) => {
    const source = score?.notes[note];
    if (!source) return 'planned';
    const choice = workbench.fingering.choices.get(source.id)?.[field];
    if (choice !== undefined && choice !== null) return 'teacher';
    return choice === undefined && source.fingering[field] !== undefined ? 'source' : 'planned';
  });

  const nextTask = () => new Promise((resolve) => setTimeout(resolve));

  // Systems appear one task at a time, so that the page answers while a long piece is engraved.
  $effect(() => {
    const page = Math.floor(width) - 8;
    const piece = score;
    if (!piece || page < 200) return;
    let stopped = false;
    untrack(async () => {
      await loadMusicFonts();
      useMusicFonts();
      const { header, firstHeader } = headerWidths(piece);
      systems = breakSystems(
        piece.bars.map((bar) => naturalWidth(piece, bar)),
        page,
        header,
        firstHeader,
      );
      for (shown = 0; shown < systems.length; shown += 1) {
        await nextTask();
        if (stopped) return;
      }
    });
    return () => {
      stopped = true;
    };
  });

  $effect(() => {
    const { caret } = workbench;
    void tick().then(() => {
      holder
        ?.querySelector(`[data-note="${caret}"]`)
        ?.scrollIntoView({ block: 'nearest', behavior: 'smooth' });
    });
  });

  // Keys work wherever the pointer was last used, but never while someone types or answers a question.
  const onkeydown = (event: KeyboardEvent) => {
    const target = event.target as Element;
    if (target.closest('input, select, textarea, dialog') || document.querySelector('dialog[open]')) return;
    if (handleKey(workbench, event)) event.preventDefault();
  };

  const pick = (note: number) => {
    const tiedFrom = score?.notes[note]?.tiedFrom;
    workbench.caret = tiedFrom ?? note;
    holder.focus({ preventScroll: true });
  };

  export const focus = () => holder?.focus({ preventScroll: true });
</script>

<svelte:window {onkeydown} />

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div
  class="sheet"
  role="application"
  aria-label="Sheet of music. Arrow keys walk from note to note."
  data-complete={systems.length > 0 && shown >= systems.length}
  tabindex="0"
  bind:this={holder}
  bind:clientWidth={width}
>
  {#if score}
    {#each systems.slice(0, shown) as system (`${system.first}:${system.widths.join()}`)}
      <System
        {score}
        first={system.first}
        widths={system.widths}
        plan={workbench.plan}
        {origin}
        caret={workbench.caret}
        {changed}
        {everyString}
        onpick={pick}
      />
    {/each}
  {/if}
</div>

<style>
  .sheet {
    outline: none;
    min-height: 20rem;
    padding-inline: 4px;
  }
  .sheet:focus-visible {
    box-shadow: inset 0 0 0 2px color-mix(in oklab, var(--color-secondary) 40%, transparent);
    border-radius: var(--radius-box);
  }
</style>
