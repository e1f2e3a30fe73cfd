<script lang="ts">
  import { DEFAULT_SETUP, handOf, measuredHand, midiOf, millimetres, parsePitch } from '@oculon/core';
  import HarmonicFinder from './HarmonicFinder.svelte';
  import NeckMeasures from './NeckMeasures.svelte';
  import PitchPlaces from './PitchPlaces.svelte';
  import StringTension from './StringTension.svelte';
  import StretchFinder from './StretchFinder.svelte';
  import TempoTable from './TempoTable.svelte';
  import type { PageData } from '../../routes/(app)/reference/$types';

  const { data }: { data: Pick<PageData, 'instruments' | 'students'> } = $props();

  const STANDARD = ['E4', 'B3', 'G3', 'D3', 'A2', 'E2'];
  let whose = $state('');
  let instrumentId = $state('');
  const student = $derived(data.students.find(({ id }) => id === whose));
  const instrument = $derived(
    data.instruments.find(({ id }) => id === (instrumentId || (student?.instrumentId ?? ''))),
  );
  const tuning = $derived(instrument?.tuning ?? STANDARD);
  const neck = $derived({
    scaleLength: millimetres(instrument?.scaleLength ?? DEFAULT_SETUP.guitar.scaleLength),
    capo: instrument?.capo ?? 0,
    frets: instrument?.frets ?? DEFAULT_SETUP.guitar.frets,
  });
  const guitar = $derived({ ...neck, tuning: tuning.map((name) => midiOf(parsePitch(name)!)) });
  const hand = $derived(
    student
      ? Object.keys(student.spans).length > 0
        ? measuredHand(student.spans)
        : handOf(student.hand)
      : handOf('medium'),
  );
</script>

<main class="mt-8">
  <h1 class="text-xl">Reference</h1>
  <div class="mt-3 flex flex-wrap gap-4 text-sm">
    <label
      >For the hand of
      <select class="select select-sm mt-1 w-52" bind:value={whose}>
        <option value="">a medium hand</option>
        {#each data.students as each (each.id)}<option value={each.id}>{each.name}</option>{/each}
      </select></label
    >
    <label
      >On
      <select class="select select-sm mt-1 w-64" bind:value={instrumentId}>
        <option value="">{student?.instrumentId ? 'their instrument' : 'a guitar of 650 mm'}</option>
        {#each data.instruments as each (each.id)}<option value={each.id}>{each.name}</option>{/each}
      </select></label
    >
    <p class="self-end pb-1 opacity-80" role="status" data-testid="instrument">
      {neck.scaleLength} mm, {neck.frets} frets{neck.capo > 0 ? `, capo at ${neck.capo}` : ''}, {tuning
        .toReversed()
        .join(' ')}
    </p>
  </div>
  <NeckMeasures {neck} />
  <StretchFinder {neck} {hand} />
  <PitchPlaces {guitar} />
  <HarmonicFinder {guitar} />
  <TempoTable />
  <StringTension {tuning} />
</main>
