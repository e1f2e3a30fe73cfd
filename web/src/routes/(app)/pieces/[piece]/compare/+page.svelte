<script lang="ts">
  import { onMount } from 'svelte';
  import { barLabel, beatText, pitchLabel, stringSign } from '@oculon/core';
  import AppPage from '$lib/shell/AppPage.svelte';
  import DifficultyChart from '$lib/versions/DifficultyChart.svelte';
  import { leftTermWords, rightTermWords } from '$lib/words.ts';
  import { comparison, type ComparedVersions } from '$lib/versions/comparison.ts';

  const { data } = $props();
  let compared = $state.raw<ComparedVersions>();
  let problem = $state('');

  onMount(async () => {
    try {
      compared = await comparison(data.piece.id, data.part, data.one.edits, data.other.edits);
    } catch (error) {
      problem = (error as Error).message;
    }
  });
  type Taking = ComparedVersions['differences'][number]['one'];
  const taking = ({ string, fret, finger, pluck }: Taking): string =>
    string === undefined
      ? 'left out'
      : `${finger === 0 ? 'open' : `${finger} on fret ${fret}`}, ${stringSign(string)}${pluck ? `, ${pluck}` : ''}`;
  const place = (note: number): string => {
    const own = compared!.score.notes[note]!;
    const bar = compared!.score.bars[own.bar]!;
    return `${barLabel(bar)}, ${beatText(bar, own.onset - bar.start, compared!.score.ticksPerQuarter)}`;
  };
</script>

<AppPage title="Compare" {data}>
  <main class="mt-8">
    <p class="text-sm"><a class="link" href="/pieces/{data.piece.id}/versions">Versions</a></p>
    <h1 class="mt-1 text-xl">
      <span class="font-serif">{data.piece.title}</span>: “{data.one.name}” and “{data.other.name}”
    </h1>
    {#if problem}
      <p role="alert" class="mt-4 text-sm text-error">{problem}</p>
    {:else if !compared}
      <p class="mt-4 text-sm" role="status">Both are being planned …</p>
    {:else if compared.differences.length === 0}
      <p class="mt-4 text-sm">Both take every note alike.</p>
    {:else}
      <p class="mt-4 text-sm" data-testid="compared">
        {compared.differences.length} of {compared.sounds} notes are taken differently. Effort of the left hand
        {compared.effort.one.left.toFixed(1)} and {compared.effort.other.left.toFixed(1)}, of the right hand
        {compared.effort.one.right.toFixed(1)} and {compared.effort.other.right.toFixed(1)}.
      </p>
      <p class="mt-2 text-sm">
        “{data.other.name}” against “{data.one.name}”: {leftTermWords(compared.terms)}; {rightTermWords(
          compared.rightTerms,
        )}.
      </p>
      <div class="mt-3 max-w-3xl">
        <DifficultyChart
          one={compared.difficulty.one}
          other={compared.difficulty.other}
          names={[data.one.name, data.other.name]}
        />
      </div>
      <div class="mt-3 overflow-x-auto">
        <table class="table table-sm">
          <thead
            ><tr><th>Bar, beat</th><th>Note</th><th>{data.one.name}</th><th>{data.other.name}</th></tr></thead
          >
          <tbody>
            {#each compared.differences as each (each.note)}
              <tr
                ><td class="tabular-nums">{place(each.note)}</td><td
                  >{pitchLabel(compared.score.notes[each.note]!.sounding)}</td
                ><td>{taking(each.one)}</td><td>{taking(each.other)}</td></tr
              >
            {/each}
          </tbody>
        </table>
      </div>
    {/if}
  </main>
</AppPage>
