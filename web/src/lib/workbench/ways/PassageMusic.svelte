<script lang="ts">
  import type { NotePlan, Passage, Score } from '@oculon/core';
  import { untrack } from 'svelte';
  import type { SystemPlan } from '../../engraving/breaks.ts';
  import { DrawingQueue } from '../../engraving/drawing-queue.ts';
  import { layOutBars } from '../../engraving/lay-out.ts';
  import System from '../../sheet/System.svelte';

  interface Props {
    score: Score;
    passage: Passage;
    notes: readonly NotePlan[];
    /** Notes that are taken otherwise than planned. */
    changed: ReadonlySet<number>;
  }
  /** Some bars as a small engraved score. */
  const { score, passage, notes, changed }: Props = $props();

  const SCALE = 0.62;
  let width = $state(0);
  let systems = $state.raw<readonly SystemPlan[]>([]);
  const queue = new DrawingQueue();
  const NONE: ReadonlySet<never> = new Set();
  const NOTHING_RINGS: ReadonlyMap<number, number> = new Map();
  const halo = $derived(new Set([...changed].flatMap((note) => [`finger ${note}`, `string ${note}`])));

  $effect(() => {
    const [piece, room, bars] = [score, Math.floor(width / SCALE), passage];
    if (room < 100) return;
    let stopped = false;
    untrack(async () => {
      const laid = await layOutBars(piece, bars, room);
      if (!stopped) systems = laid;
    });
    return () => {
      stopped = true;
    };
  });
</script>

<div class="min-w-0 overflow-hidden" bind:clientWidth={width}>
  <div style:zoom={SCALE}>
    {#each systems as system (`${system.first}:${system.widths.join()}`)}
      <System
        {score}
        first={system.first}
        widths={system.widths}
        plan={{ notes }}
        origin={() => 'planned'}
        caret={-1}
        changed={halo}
        nearTies={NONE}
        everyString={false}
        written={undefined}
        rightSigns={[]}
        marks={[]}
        hiddenWords={NONE}
        ringing={NOTHING_RINGS}
        {queue}
        ondrawn={() => {}}
        onpick={() => {}}
      />
    {/each}
  </div>
</div>
