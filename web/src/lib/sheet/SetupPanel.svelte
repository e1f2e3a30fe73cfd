<script lang="ts">
  import { HAND_SIZES, LEFT_SCHOOLS, RIGHT_SCHOOLS, SCALE_LENGTHS } from '@oculon/core';
  import { setupChoiceSchema, type SetupChoice } from '../planner/setup.ts';
  import type { Workbench } from '../workbench/workbench.svelte.ts';

  const { workbench }: { workbench: Workbench } = $props();

  const RIGHT_NAMES: Record<(typeof RIGHT_SCHOOLS)[number], string> = {
    free: 'free choice',
    'strict-im': 'strict i–m',
    'three-finger': 'three fingers a–m–i',
    'thumb-index': 'p–i',
  };
  const ownTempo = $derived(Math.round(workbench.score?.tempi[0]?.quartersPerMinute ?? 0));
  let tempoProblem = $state('');

  const change = (part: Partial<SetupChoice>) => {
    const next = setupChoiceSchema.safeParse({ ...workbench.setup, ...part });
    if (next.success) workbench.setSetup(next.data);
    return next.success;
  };
  const changeTempo = (text: string) => {
    const tempo = text.trim() === '' ? undefined : Number(text);
    tempoProblem = change({ tempo }) ? '' : 'A tempo from 10 to 400.';
  };
</script>

<details>
  <summary class="cursor-pointer font-serif text-base">Hand, instrument, schools</summary>
  <div class="mt-2 grid grid-cols-[7rem_1fr] items-center gap-2 text-sm">
    <label for="setup-left">Left hand</label>
    <select
      id="setup-left"
      class="select select-sm"
      value={workbench.setup.left}
      onchange={(event) => change({ left: event.currentTarget.value as SetupChoice['left'] })}
    >
      {#each LEFT_SCHOOLS as school (school)}<option value={school}>{school}</option>{/each}
    </select>
    <label for="setup-right">Right hand</label>
    <select
      id="setup-right"
      class="select select-sm"
      value={workbench.setup.right}
      onchange={(event) => change({ right: event.currentTarget.value as SetupChoice['right'] })}
    >
      {#each RIGHT_SCHOOLS as school (school)}<option value={school}>{RIGHT_NAMES[school]}</option>{/each}
    </select>
    <label for="setup-hand">Hand size</label>
    <select
      id="setup-hand"
      class="select select-sm"
      value={workbench.setup.hand}
      onchange={(event) => change({ hand: event.currentTarget.value as SetupChoice['hand'] })}
    >
      {#each Object.keys(HAND_SIZES) as size (size)}<option value={size}>{size}</option>{/each}
    </select>
    <label for="setup-scale">Scale length</label>
    <select
      id="setup-scale"
      class="select select-sm"
      value={workbench.setup.scaleLength}
      onchange={(event) => change({ scaleLength: Number(event.currentTarget.value) })}
    >
      {#each SCALE_LENGTHS as length (length)}<option value={length}>{length} mm</option>{/each}
    </select>
    <label for="setup-tempo">Tempo</label>
    <input
      id="setup-tempo"
      class="input input-sm"
      inputmode="numeric"
      placeholder="{ownTempo} (as written)"
      value={workbench.setup.tempo ?? ''}
      aria-invalid={tempoProblem !== ''}
      onchange={(event) => changeTempo(event.currentTarget.value)}
    />
    {#if tempoProblem}<span></span><span class="text-xs text-error">{tempoProblem}</span>{/if}
  </div>
  <p class="mt-2 text-xs opacity-70">
    A stretch or barre that hurts is a reason to stop. Choose a smaller hand here, and ask a doctor or hand
    therapist if pain stays.
  </p>
</details>
