<script lang="ts">
  import { romanNumeral, stringSign } from '@oculon/core';
  import { Dialog } from 'bits-ui';
  import { X } from '@lucide/svelte';
  import type { VersionMessage, WayView } from '../../planner/api.ts';
  import { planSetup } from '../../planner/setup.ts';
  import { messageWith } from '../../versions/comparison.ts';
  import { leftTermWords, placeWords } from '../../words.ts';
  import { priceText } from '../at-caret/price-text.ts';
  import type { Workbench } from '../workbench.svelte.ts';
  import KeepWay from './KeepWay.svelte';
  import PassageMusic from './PassageMusic.svelte';
  import { notesOfWay } from './way-notes.ts';

  interface Props {
    workbench: Workbench;
    /** Where versions of the piece lie. */
    piecePath: string;
    fingering: string;
    /** Plays a version from a bar on. */
    onhear: (version: VersionMessage, bar: number) => void;
    ondone: () => void;
  }
  /** Other ways of a passage side by side, each as a small score, with what it costs and where it meets the plan again. */
  const { workbench, piecePath, fingering, onhear, ondone }: Props = $props();

  const { piece, planned, decisions, otherWays } = $derived(workbench);
  const score = $derived(piece.score);
  const plan = $derived(planned.plan);
  const found = $derived(otherWays.found);
  const guitar = $derived(score && planSetup(decisions.setup, score).guitar);

  const rejoins = (way: WayView): string =>
    !score || way.rejoins === undefined ? 'to the end' : `as before from ${placeWords(score, way.rejoins)}`;
  const indexesOf = (way: WayView): ReadonlySet<number> =>
    new Set(way.choices.flatMap(([id]) => score?.indexOf.get(id) ?? []));
  /** Less of a term is not felt, in units of effort. */
  const WORTH_NAMING = 0.2;
  const termsOf = (way: WayView) =>
    Object.entries(way.terms)
      .filter(([, amount]) => Math.abs(amount) >= WORTH_NAMING)
      .sort(([, one], [, other]) => Math.abs(other) - Math.abs(one));
  const close = (): void => {
    otherWays.close();
    ondone();
  };
  const take = (way: WayView): void => {
    decisions.chooseAll(way.choices);
    close();
  };
</script>

<Dialog.Root open={otherWays.isOpen} onOpenChange={(isOpen) => !isOpen && close()}>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-black/30 print:hidden" />
    <Dialog.Content
      class="fixed inset-x-[2vw] top-[4vh] z-50 mx-auto flex max-h-[92vh] max-w-6xl flex-col rounded-box border border-base-300 bg-base-100 shadow-xl print:hidden"
    >
      <header class="flex items-center gap-3 border-b border-base-300 px-4 py-2">
        <Dialog.Title class="font-serif text-lg">Other ways</Dialog.Title>
        <Dialog.Description class="grow text-sm opacity-80"
          >{found && score
            ? `of ${placeWords(score, score.bars[found.passage.from]!.start)} to the end of bar ${score.bars[found.passage.to]!.number}`
            : ''}</Dialog.Description
        >
        <Dialog.Close class="btn btn-ghost btn-sm btn-square" aria-label="Close"
          ><X class="size-4" /></Dialog.Close
        >
      </header>
      <div class="overflow-y-auto p-4">
        {#if otherWays.problem}<p role="alert" class="text-error">{otherWays.problem}</p>{/if}
        {#if otherWays.searching}
          <p role="status">
            Looking for other ways <span class="loading loading-dots loading-xs" aria-hidden="true"></span>
            <button class="btn btn-sm ml-2" onclick={close}>Stop</button>
          </p>
        {:else if found && score && plan && guitar}
          {#if found.ways.length === 0}
            <p>No truly different way was found: what was tried cannot be held.</p>
          {:else}
            <div class="grid gap-4 md:grid-cols-2">
              <section class="rounded-box border border-base-300 p-3" aria-label="As planned">
                <h3 class="font-semibold">As planned</h3>
                <PassageMusic {score} passage={found.passage} notes={plan.notes} changed={new Set()} />
              </section>
              <ol class="contents" data-testid="other-ways">
                {#each found.ways as way, index (index)}
                  <li class="min-w-0 rounded-box border border-base-300 p-3">
                    <h3 class="flex items-baseline justify-between gap-2 font-semibold">
                      <span
                        >{way.character.positions.map(romanNumeral).join(' – ') || 'open strings'}
                        <span class="text-xs font-normal opacity-80"
                          >{way.character.strings.map(stringSign).join(' ')} · {way.character.openNotes} open{way
                            .character.barres > 0
                            ? ' · barre'
                            : ''}</span
                        ></span
                      >
                      <span class="tabular-nums">{priceText(way.price)}</span>
                    </h3>
                    <PassageMusic
                      {score}
                      passage={found.passage}
                      notes={notesOfWay(score, plan.notes, guitar, way.choices)}
                      changed={indexesOf(way)}
                    />
                    <p class="text-sm">{rejoins(way)}</p>
                    <table class="mt-1 w-full text-xs">
                      <caption class="sr-only">What becomes different</caption>
                      <tbody>
                        {#each termsOf(way) as [term, amount] (term)}
                          <tr
                            ><th scope="row" class="text-left font-normal"
                              >{leftTermWords({ [term]: amount })}</th
                            ><td class="text-right tabular-nums"
                              >{amount > 0 ? '+' : '−'}{Math.abs(amount).toFixed(1)}</td
                            ></tr
                          >
                        {/each}
                      </tbody>
                    </table>
                    <div class="mt-2 flex flex-wrap items-start gap-2">
                      <button class="btn btn-sm btn-primary" onclick={() => take(way)}>Take this way</button>
                      <button
                        class="btn btn-sm"
                        onclick={() =>
                          onhear(messageWith(decisions.fingering, way.choices), found.passage.from)}
                        >Hear it</button
                      >
                      <KeepWay {way} saving={decisions.saving} {piecePath} {fingering} />
                    </div>
                  </li>
                {/each}
              </ol>
            </div>
          {/if}
        {/if}
      </div>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
