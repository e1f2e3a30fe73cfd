<script lang="ts">
  import type { OpenPiece } from '../open-piece.svelte.ts';
  import type { CurrentPlan } from '../../planner/current-plan.svelte.ts';
  import type { Caret } from '../caret.svelte.ts';
  import { guideWords, heldWords, placeWords, preparationWords, say } from '../../words.ts';
  import { blockWords } from './block-words.ts';

  /** What the left hand does at the caret: the shape it holds, which finger goes down when, what stays and what leads. */
  const { piece, planned, caret }: { piece: OpenPiece; planned: CurrentPlan; caret: Caret } = $props();

  let view = $state<'block' | 'legato'>('block');

  const score = $derived(piece.score);
  const movements = $derived(planned.movements);
  const positions = $derived(planned.plan?.positions ?? []);
  const slice = $derived(positions.findIndex(({ onset }) => onset === caret.note?.onset));
  const onsetOf = (at: number) => positions[at]?.onset ?? 0;
  const when = (at: number) => (score ? placeWords(score, onsetOf(at)) : '');
  const struckAt = (sound: number) => planned.plan?.sounds[sound] ?? 0;

  const block = $derived(movements?.blocks.find(({ from, to }) => slice >= from && slice < to));
  const inBlock = $derived(
    movements && block
      ? movements.preparations.filter(({ should }) => should >= block.from && should < block.to)
      : [],
  );
  const atOnce = $derived(inBlock.filter(({ should }) => should === slice));
  const oneByOne = $derived(movements?.preparations.filter(({ stay }) => stay.from === slice) ?? []);
  const held = $derived(movements?.held.filter(({ stay }) => stay.from <= slice && stay.to > slice) ?? []);
  const guides = $derived(movements?.guides.filter((guide) => guide.slice === slice) ?? []);
  const leaving = $derived(
    movements?.preparations.filter(
      ({ stay }) =>
        stay.to === slice &&
        stay.leaves !== 'nothing-sounds' &&
        stay.leaves !== 'end' &&
        // A guide does not leave: it leads.
        !guides.some((guide) => guide.finger === stay.finger),
    ) ?? [],
  );
</script>

{#if movements && slice >= 0 && score}
  <section class="text-sm" data-testid="movements">
    <h3 class="font-serif text-base">The left hand here</h3>
    <div class="mt-1 space-y-2">
      {#if block}
        <p>
          <span class="font-semibold">{block.chord ?? 'Shape'}</span>
          <span class="tracking-wide">{blockWords(block)}</span>
          <span class="opacity-70"
            >from {when(block.from)}{block.to < positions.length
              ? ` to ${when(block.to)}`
              : ' to the end'}</span
          >
        </p>
      {/if}
      <div class="join" role="group" aria-label="Fingers set">
        <button
          class={['btn join-item btn-xs', view === 'block' && 'btn-active']}
          aria-pressed={view === 'block'}
          onclick={() => (view = 'block')}>As a block</button
        >
        <button
          class={['btn join-item btn-xs', view === 'legato' && 'btn-active']}
          aria-pressed={view === 'legato'}
          onclick={() => (view = 'legato')}>One by one</button
        >
      </div>
      <ul class="space-y-0.5" aria-label={view === 'block' ? 'Set together' : 'Set one by one'}>
        {#each view === 'block' ? atOnce : oneByOne as each, index (index)}
          <li>
            {view === 'block'
              ? preparationWords(each, when)
              : `${each.stay.finger}: can lie from ${when(each.can)}, must lie at ${when(each.stay.from)}`}
          </li>
        {:else}
          <li class="opacity-70">No finger is set here.</li>
        {/each}
      </ul>
      {#if held.length + guides.length + leaving.length > 0}
        <ul class="space-y-0.5" aria-label="What stays and what leads">
          {#each guides as guide, index (index)}<li>{guideWords(guide)}</li>{/each}
          {#each held as each, index (index)}
            <li>{heldWords(each, placeWords(score, struckAt(each.to)))}</li>
          {/each}
          {#each leaving as { stay }, index (index)}
            <li class="opacity-80">{stay.finger} {say(`leaving.${stay.leaves}`)}</li>
          {/each}
        </ul>
      {/if}
    </div>
  </section>
{/if}
