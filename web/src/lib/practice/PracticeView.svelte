<script lang="ts">
  import { DENSITIES, spotCare, wordingIn, type Density, type SpotDrill } from '@oculon/core';
  import { ArrowLeft } from '@lucide/svelte';
  import { onMount } from 'svelte';
  import DrillSheet from '../drills/DrillSheet.svelte';
  import { DrillDesk, NoDrill } from '../drills/drill-desk.svelte.ts';
  import { Outdated } from '../planner/asking.ts';
  import type { SpotView } from '../planner/api.ts';
  import { DENSITY_NAMES } from '../shell/choices.ts';
  import { workbenchOf, type Workbench } from '../workbench/workbench.svelte.ts';
  import SpotList from './SpotList.svelte';
  import type { PageData } from '../../routes/(app)/pieces/[piece]/[fingering]/practice/$types';

  const { data }: { data: PageData } = $props();

  let workbench = $state.raw<Workbench>();
  let spots = $state.raw<readonly SpotView[]>();
  let chosen = $state.raw<{ readonly view: SpotView; readonly drill: SpotDrill }>();
  let density = $state<Density>('everything');
  /** In quarters a minute; the first rung of the spot's ladder unless another is chosen. */
  let tempo = $state(0);
  let problem = $state('');
  const desk = new DrillDesk();

  onMount(() => {
    const opened = workbenchOf(data);
    workbench = opened;
    void opened.open();
    return () => {
      opened.close();
      desk.close();
    };
  });

  const planned = $derived(workbench?.planned);
  const plan = $derived(planned && !planned.planning ? planned.plan : undefined);
  const score = $derived(workbench?.piece.score);
  $effect(() => {
    const current = planned;
    if (!plan || !current) return;
    void (async () => {
      try {
        spots = await current.questions.spots();
        const [first] = spots;
        if (first?.drills[0]) choose(first, first.drills[0]);
      } catch (error) {
        if (!(error instanceof Outdated)) problem = 'The hard spots could not be found. Load the page again.';
      }
    })();
  });

  const show = (view: SpotView, drill: SpotDrill, at: number): void =>
    desk.show(async () => {
      const { language, noteNames } = data.speech ?? { language: 'en', noteNames: 'letters' };
      const found = await planned!.questions.spotDrill(view.spot, drill, at, language, noteNames);
      if (!found) throw new NoDrill('There is too little to practise in this way. Choose another drill.');
      const { hand, spans, scaleLength, tuning, capo } = workbench!.decisions.setup;
      return {
        ...found,
        tempo: at,
        care: [spotCare(wordingIn(language, noteNames), view.spot.kind)],
        setup: {
          ...(hand && { hand }),
          ...(spans && { spans }),
          ...(scaleLength && { scaleLength }),
          ...(tuning && { tuning }),
          ...(capo !== undefined && { capo }),
        },
      };
    });
  const choose = (view: SpotView, drill: SpotDrill): void => {
    if (chosen?.view !== view) tempo = view.ladder.rungs[0]!;
    chosen = { view, drill };
    show(view, drill, tempo);
  };
</script>

<svelte:head><title>{data.piece.title} · Practice</title></svelte:head>

<header class="flex flex-wrap items-center gap-2 border-b border-base-300 bg-base-100 px-4 py-2 print:hidden">
  <a class="btn btn-ghost btn-sm" href="/pieces/{data.piece.id}/{data.fingering}"
    ><ArrowLeft class="size-4" aria-hidden="true" /> Workbench</a
  >
  <h1 class="mr-auto truncate text-lg font-semibold">Practice: {data.piece.title}</h1>
</header>
{#if workbench?.piece.phase === 'failed'}<p role="alert" class="m-6">{workbench.piece.problem}</p>{/if}
{#if problem}<p role="alert" class="m-6 text-error">{problem}</p>{/if}
<div class="mx-auto grid max-w-6xl gap-6 p-4 lg:grid-cols-[19rem_1fr] print:block print:p-0">
  <aside class="min-w-0 space-y-4 print:hidden" aria-label="Hard spots">
    {#if score && spots}
      {#if spots.length === 0}
        <p>Nothing in this piece stands out. Play it phrase by phrase.</p>
      {:else}
        <p class="text-sm opacity-80">
          What stands out in this piece, cut so that a loop begins on an easy beat and ends on the first note
          after the difficulty.
        </p>
        <SpotList
          {score}
          {spots}
          chosen={chosen && { spot: chosen.view.spot.id, drill: chosen.drill }}
          onchoose={choose}
        />
      {/if}
    {:else if !problem}
      <p role="status" class="text-sm opacity-80">Looking for the hard spots …</p>
    {/if}
  </aside>
  <main class="min-w-0">
    {#if chosen}
      <DrillSheet {desk} {density}>
        <div class="mb-3 flex flex-wrap items-end gap-3 text-sm print:hidden">
          <label
            >Tempo
            <select
              class="select select-sm w-40"
              bind:value={tempo}
              onchange={() => chosen && show(chosen.view, chosen.drill, tempo)}
            >
              {#each [...chosen.view.ladder.rungs, chosen.view.ladder.reserve] as rung (rung)}
                <option value={rung}
                  >♩ = {rung}{rung > chosen.view.ladder.rungs.at(-1)! ? ', in reserve' : ''}</option
                >
              {/each}
            </select></label
          >
          <label
            >Marks
            <select class="select select-sm w-44" bind:value={density}>
              {#each DENSITIES as each (each)}<option value={each}>{DENSITY_NAMES[each]}</option>{/each}
            </select></label
          >
        </div>
        {#each desk.made?.care ?? [] as care (care)}<p
            class="mb-3 border-l-2 border-warning pl-2 text-xs print:hidden"
          >
            {care}
          </p>{/each}
      </DrillSheet>
    {/if}
  </main>
</div>
