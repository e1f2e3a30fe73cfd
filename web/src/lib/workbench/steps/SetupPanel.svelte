<script lang="ts">
  import {
    HAND_NAMES,
    LEFT_SCHOOLS,
    parsePitch,
    patternSchema,
    RIGHT_SCHOOLS,
    SCALE_LENGTHS,
    setupSchema,
    type WholeSetup,
  } from '@oculon/core';
  import { say } from '../../words.ts';
  import HandFields from './HandFields.svelte';
  import WeightFields from './WeightFields.svelte';
  import type { OpenPiece } from '../open-piece.svelte.ts';
  import type { Decisions } from '../../document/decisions.svelte.ts';

  const { piece, decisions }: { piece: OpenPiece; decisions: Decisions } = $props();

  const ownTempo = $derived(Math.round(piece.score?.tempi[0]?.quartersPerMinute ?? 0));
  let tempoProblem = $state('');

  const change = (part: Partial<WholeSetup>) => {
    const next = setupSchema.safeParse(part);
    if (next.success) decisions.changeSetup(part);
    return next.success;
  };
  /** Tunings by what is said of them; strings ① to ⑥. */
  const TUNINGS: Readonly<Record<string, readonly string[]>> = {
    standard: ['E4', 'B3', 'G3', 'D3', 'A2', 'E2'],
    '⑥ in D': ['E4', 'B3', 'G3', 'D3', 'A2', 'D2'],
    '⑥ in D, ⑤ in G': ['E4', 'B3', 'G3', 'D3', 'G2', 'D2'],
    '③ in F♯': ['E4', 'B3', 'F#3', 'D3', 'A2', 'E2'],
  };
  const tuningText = $derived(decisions.setup.tuning?.join(' ') ?? '');
  let tuningProblem = $state('');
  const changeTuning = (text: string) => {
    const names = text.trim().split(/\s+/).filter(Boolean);
    if (names.length > 0 && (names.length !== 6 || names.some((name) => !parsePitch(name)))) {
      tuningProblem = 'Six open strings from ① to ⑥, such as E4 B3 G3 D3 A2 D2.';
      return;
    }
    tuningProblem = '';
    change({ tuning: names.length > 0 ? names : undefined });
  };

  let tremoloProblem = $state('');
  const changeTremolo = (text: string) => {
    const tremolo = patternSchema.safeParse(text.replaceAll(/[\s–-]/g, '').toLowerCase());
    if (text.trim() !== '' && !tremolo.success) {
      tremoloProblem = 'An order of the letters p, i, m and a, such as pami.';
      return;
    }
    tremoloProblem = '';
    change({ tremolo: tremolo.data });
  };

  const changeTempo = (text: string) => {
    const tempo = text.trim() === '' ? undefined : Number(text);
    tempoProblem = change({ tempo }) ? '' : 'A tempo from 10 to 400.';
  };
</script>

<section class="text-sm">
  <h3 class="font-serif text-base">Hand, instrument, schools</h3>
  <div class="mt-2 grid grid-cols-[7rem_1fr] items-center gap-2 text-sm">
    <label for="setup-left">Left hand</label>
    <select
      id="setup-left"
      class="select select-sm"
      value={decisions.setup.left}
      onchange={(event) => change({ left: event.currentTarget.value as WholeSetup['left'] })}
    >
      {#each LEFT_SCHOOLS as school (school)}<option value={school}>{say(`left-school.${school}`)}</option
        >{/each}
    </select>
    <label for="setup-right">Right hand</label>
    <select
      id="setup-right"
      class="select select-sm"
      value={decisions.setup.right}
      onchange={(event) => change({ right: event.currentTarget.value as WholeSetup['right'] })}
    >
      {#each RIGHT_SCHOOLS as school (school)}<option value={school}>{say(`right-school.${school}`)}</option
        >{/each}
    </select>
    <label for="setup-tremolo">Tremolo</label>
    <input
      id="setup-tremolo"
      class="input input-sm font-serif italic"
      list="tremolos"
      placeholder="as it falls best"
      value={decisions.setup.tremolo ?? ''}
      aria-invalid={tremoloProblem !== ''}
      onchange={(event) => changeTremolo(event.currentTarget.value)}
    />
    <datalist id="tremolos">
      {#each ['pami', 'pima', 'pmim', 'aim', 'ima', 'mimi'] as order (order)}<option value={order}
        ></option>{/each}
    </datalist>
    {#if tremoloProblem}<span></span><span class="text-xs text-error">{tremoloProblem}</span>{/if}
    <span></span>
    <label class="flex items-center gap-2 text-xs">
      <input
        type="checkbox"
        class="checkbox checkbox-xs"
        checked={decisions.setup.doubleThumb}
        onchange={(event) => change({ doubleThumb: event.currentTarget.checked })}
      /> the thumb may play twice running in a line
    </label>
    <span></span>
    <label class="flex items-center gap-2 text-xs">
      <input
        type="checkbox"
        class="checkbox checkbox-xs"
        checked={decisions.setup.keepOrder}
        onchange={(event) => change({ keepOrder: event.currentTarget.checked })}
      /> equal cells keep one order of fingers
    </label>
    <label for="setup-hand">Hand size</label>
    <select
      id="setup-hand"
      class="select select-sm"
      value={decisions.setup.hand}
      onchange={(event) => change({ hand: event.currentTarget.value as WholeSetup['hand'] })}
    >
      {#each HAND_NAMES as size (size)}<option value={size}>{say(`hand.${size}`)}</option>{/each}
    </select>
    <label for="setup-scale">Scale length</label>
    <select
      id="setup-scale"
      class="select select-sm"
      value={decisions.setup.scaleLength}
      onchange={(event) => change({ scaleLength: Number(event.currentTarget.value) })}
    >
      {#each SCALE_LENGTHS as length (length)}<option value={length}>{length} mm</option>{/each}
    </select>
    <label for="setup-tuning">Tuning ①–⑥</label>
    <input
      id="setup-tuning"
      class="input input-sm"
      list="tunings"
      placeholder="as the piece has it"
      value={tuningText}
      aria-invalid={tuningProblem !== ''}
      onchange={(event) => changeTuning(event.currentTarget.value)}
    />
    <datalist id="tunings">
      {#each Object.entries(TUNINGS) as [name, strings] (name)}
        <option value={strings.join(' ')}>{name}</option>
      {/each}
    </datalist>
    {#if tuningProblem}<span></span><span class="text-xs text-error">{tuningProblem}</span>{/if}
    <label for="setup-octave">Octave</label>
    <select
      id="setup-octave"
      class="select select-sm"
      value={String(decisions.setup.octave)}
      onchange={({ currentTarget: { value } }) =>
        change({ octave: Number(value) === 0 ? undefined : (Number(value) as 1 | -1) })}
    >
      <option value="0">as the file was read</option>
      <option value="1">an octave higher</option>
      <option value="-1">an octave lower</option>
    </select>
    <label for="setup-capo">Capo</label>
    <select
      id="setup-capo"
      class="select select-sm"
      value={decisions.setup.capo === undefined ? '' : String(decisions.setup.capo)}
      onchange={({ currentTarget: { value } }) => change({ capo: value === '' ? undefined : Number(value) })}
    >
      <option value="">as the piece has it</option>
      {#each Array.from({ length: 10 }, (_, fret) => fret) as fret (fret)}
        <option value={String(fret)}>{fret === 0 ? 'none' : `fret ${fret}`}</option>
      {/each}
    </select>
    <label for="setup-tempo">Tempo</label>
    <input
      id="setup-tempo"
      class="input input-sm"
      inputmode="numeric"
      placeholder="{ownTempo} (as written)"
      value={decisions.setup.tempo ?? ''}
      aria-invalid={tempoProblem !== ''}
      onchange={(event) => changeTempo(event.currentTarget.value)}
    />
    {#if tempoProblem}<span></span><span class="text-xs text-error">{tempoProblem}</span>{/if}
  </div>
  <details class="mt-2 text-sm" open={decisions.setup.spans !== undefined}>
    <summary class="cursor-pointer">Measured hand{decisions.setup.spans ? ' (in use)' : ''}</summary>
    <HandFields setup={decisions.setup} {change} />
  </details>
  <details class="mt-2 text-sm" open={decisions.setup.weights !== undefined}>
    <summary class="cursor-pointer">Own weights{decisions.setup.weights ? ' (in use)' : ''}</summary>
    <WeightFields setup={decisions.setup} {change} />
  </details>
  <p class="mt-2 text-xs opacity-70">
    A stretch or barre that hurts is a reason to stop. Choose a smaller hand here, and ask a doctor or hand
    therapist if pain stays.
  </p>
</section>
