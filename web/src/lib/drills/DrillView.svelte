<script lang="ts">
  import { afterNavigate, replaceState } from '$app/navigation';
  import {
    DENSITIES,
    DRILL_GROUPS,
    DRILL_KINDS,
    drillAbout,
    drillGroupName,
    drillName,
    englishWording,
    type Density,
    type DrillName,
  } from '@oculon/core';
  import { onMount, untrack } from 'svelte';
  import { Outdated } from '../planner/asking.ts';
  import { DENSITY_NAMES } from '../shell/choices.ts';
  import DrillParameters from './DrillParameters.svelte';
  import OrderChart from './OrderChart.svelte';
  import DrillSheet from './DrillSheet.svelte';
  import { DrillDesk } from './drill-desk.svelte.ts';
  import { crossingsOf, type CountedWay } from './right-hands.ts';
  import { isDrillName, technicalDrill, type DrillPlayer } from './technical-drill.ts';
  import type { PageData } from '../../routes/(app)/drills/$types';

  const { data, asked }: { data: Pick<PageData, 'students'>; asked: URLSearchParams } = $props();

  const wording = englishWording();
  const NOBODY: DrillPlayer = { setup: {}, language: 'en', noteNames: 'letters' };

  const {
    kind: askedKind = '',
    for: askedFor = '',
    ...askedValues
  } = untrack(() => Object.fromEntries(asked));
  const first: DrillName = isDrillName(askedKind) ? askedKind : 'scale-in-position';
  let kind = $state(first);
  /** What is chosen for each kind: another kind and back again, it is still there. */
  let chosen = $state.raw<Readonly<Partial<Record<DrillName, Readonly<Record<string, string>>>>>>({
    [first]: isDrillName(askedKind) ? askedValues : {},
  });
  let forWhom = $state(askedFor);
  let density = $state<Density>('working');
  const desk = new DrillDesk();
  const typed = $derived(chosen[kind] ?? {});
  const player = $derived.by((): DrillPlayer => {
    const student = data.students.find(({ id }) => id === forWhom);
    if (!student) return NOBODY;
    // A drill is made for six strings in standard tuning: of the instrument its size counts.
    const { hand, spans, scaleLength } = student.setup;
    return {
      setup: { ...(hand && { hand }), ...(spans && { spans }), ...(scaleLength && { scaleLength }) },
      language: student.language,
      noteNames: student.noteNames,
    };
  });

  // Before the router has begun the address cannot be changed.
  let isAlive = $state(false);
  afterNavigate(() => (isAlive = true));
  onMount(() => () => desk.close());
  $effect(() => {
    if (!isAlive) return;
    const [wanted, values, whose, student] = [kind, typed, player, forWhom];
    untrack(() => {
      desk.show(async () => technicalDrill(wanted, values, whose));
      const query = new URLSearchParams({ kind: wanted, ...values, ...(student && { for: student }) });
      replaceState(`?${query}`, {});
    });
  });

  /** Both solutions of the right hand, where the fingers are left to the planner. */
  let ways = $state.raw<readonly CountedWay[]>([]);
  const isLeftToPlanner = $derived(kind === 'arpeggio' && (typed.fingers ?? 'planned') === 'planned');
  $effect(() => {
    const current = desk.made;
    ways = [];
    if (!current || !isLeftToPlanner) return;
    void crossingsOf(current)
      .then((counted) => (ways = counted))
      .catch((error: unknown) => {
        if (!(error instanceof Outdated)) desk.problem = 'The right hand could not be compared.';
      });
  });

  const choose = (name: string, value: string): void => {
    chosen = { ...chosen, [kind]: { ...typed, [name]: value } };
  };
</script>

<div class="mt-6 grid gap-6 lg:grid-cols-[17rem_1fr] print:mt-0 print:block">
  <aside class="min-w-0 space-y-4 print:hidden">
    <label class="block text-sm"
      >Drill
      <select class="select mt-1 w-full" bind:value={kind}>
        {#each DRILL_GROUPS as group (group)}
          <optgroup label={drillGroupName(wording, group)}>
            {#each DRILL_KINDS.filter((each) => each.group === group) as each (each.name)}
              <option value={each.name}>{drillName(wording, each.name)}</option>
            {/each}
          </optgroup>
        {/each}
      </select></label
    >
    <p class="text-sm opacity-80">{drillAbout(wording, kind)}</p>
    {#if kind === 'right-orders'}
      <OrderChart order={typed.order ?? 'pima'} onchoose={(order) => choose('order', order)} />
    {/if}
    <DrillParameters {kind} {typed} onchoose={choose} />
    <div class="grid grid-cols-2 gap-3 text-sm">
      <label
        >For
        <select class="select select-sm mt-1 w-full" bind:value={forWhom}>
          <option value="">a medium hand</option>
          {#each data.students as student (student.id)}<option value={student.id}>{student.name}</option
            >{/each}
        </select></label
      >
      <label
        >Marks
        <select class="select select-sm mt-1 w-full" bind:value={density}>
          {#each DENSITIES as each (each)}<option value={each}>{DENSITY_NAMES[each]}</option>{/each}
        </select></label
      >
    </div>
    {#each desk.made?.care ?? [] as care (care)}<p class="border-l-2 border-warning pl-2 text-xs">
        {care}
      </p>{/each}
  </aside>
  <main class="min-w-0">
    <DrillSheet {desk} {density} students={data.students}>
      {#if ways.length > 0}
        <dl class="mb-3 flex flex-wrap gap-x-6 gap-y-1 text-sm print:hidden" data-testid="right-hands">
          {#each ways as way (way.name)}
            <div class="flex gap-2">
              <dt class="opacity-70">{way.name}:</dt>
              <dd>
                {way.crossings}
                {way.crossings === 1 ? 'crossing' : 'crossings'}, {way.repeats}
                {way.repeats === 1 ? 'finger twice running' : 'fingers twice running'}
              </dd>
            </div>
          {/each}
        </dl>
      {/if}
    </DrillSheet>
  </main>
</div>
