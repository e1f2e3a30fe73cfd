<script lang="ts">
  import type { MarksAt, PlacedMark, Score } from '@oculon/core';
  import { untrack } from 'svelte';
  import type { SystemPlan } from '../engraving/breaks.ts';
  import { DrawingQueue } from '../engraving/drawing-queue.ts';
  import { layOut } from '../engraving/lay-out.ts';
  import type { PlanView } from '../planner/api.ts';
  import System from '../sheet/System.svelte';

  interface Props {
    score: Score;
    /** Undefined until it is known with its marks: the music is engraved already. */
    plan: Pick<PlanView, 'notes'> | undefined;
    /** The marks at notes; all of them when missing. */
    written: ReadonlyMap<number, MarksAt> | undefined;
    marks: readonly PlacedMark[];
    width: number;
    tablature: boolean;
    /** Letters of the hard bars, by bar. */
    letters: ReadonlyMap<number, string>;
    /** Called when another system has been drawn. */
    ondrawn: (isComplete: boolean) => void;
    /** The note at which a reader is. */
    caret?: number;
    /** What is played now, as a tick on the page. */
    playhead?: number | undefined;
    onpick?: (note: number) => void;
  }
  const {
    score,
    plan,
    written,
    marks,
    width,
    tablature,
    letters,
    ondrawn,
    caret = -1,
    playhead,
    onpick = () => {},
  }: Props = $props();

  let systems = $state.raw<readonly SystemPlan[]>([]);
  let drawn = new Set<number>();
  const queue = new DrawingQueue();
  const NONE: ReadonlySet<never> = new Set();
  const NOTHING_RINGS: ReadonlyMap<number, number> = new Map();
  // On paper nobody asks who decided a mark.
  const origin = () => 'planned' as const;

  $effect(() => {
    const [piece, room] = [score, width];
    let stopped = false;
    untrack(async () => {
      const laid = await layOut(piece, room);
      if (stopped) return;
      drawn = new Set();
      systems = laid;
    });
    return () => {
      stopped = true;
    };
  });

  // Nothing on paper waits to be scrolled to.
  $effect(() => {
    if (systems.length > 0) queue.hurry();
  });
</script>

{#each systems as system (`${system.first}:${system.widths.join()}`)}
  <div data-block>
    <System
      {score}
      first={system.first}
      widths={system.widths}
      {plan}
      isAwaited={plan === undefined}
      {origin}
      {caret}
      changed={NONE}
      nearTies={NONE}
      everyString={false}
      {written}
      rightSigns={[]}
      {marks}
      hiddenWords={NONE}
      ringing={NOTHING_RINGS}
      {tablature}
      {letters}
      {playhead}
      {queue}
      ondrawn={() => {
        drawn.add(system.first);
        ondrawn(drawn.size === systems.length);
      }}
      {onpick}
    />
  </div>
{/each}
