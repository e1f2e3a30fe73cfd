<script lang="ts">
  import { FileUp, Keyboard } from '@lucide/svelte';
  import { goto } from '$app/navigation';
  import { onMount } from 'svelte';
  import { uploadPiece, type UploadProblem } from './upload.ts';

  let phase = $state<'idle' | 'sending' | 'reading'>('idle');
  let share = $state(0);
  let problem = $state<UploadProblem & { file: File }>();
  let dragging = $state(false);
  let input: HTMLInputElement;

  const send = async (file: File | undefined, part?: string) => {
    if (!file || phase !== 'idle') return;
    problem = undefined;
    phase = 'sending';
    share = 0;
    const outcome = await uploadPiece(file, part, (sent) => {
      share = sent;
      if (sent >= 1) phase = 'reading';
    });
    phase = 'idle';
    input.value = '';
    if (outcome.ok) await goto(`/pieces/${outcome.value.id}`);
    else problem = { ...outcome.error, file };
  };

  const drop = (event: DragEvent) => {
    event.preventDefault();
    dragging = false;
    void send(event.dataTransfer?.files[0]);
  };
  const hover = (event: DragEvent) => {
    if (!event.dataTransfer?.types.includes('Files')) return;
    event.preventDefault();
    dragging = true;
  };
  // A file that was chosen before the page could listen is not forgotten.
  onMount(() => {
    if (input.files?.[0]) void send(input.files[0]);
  });
</script>

<svelte:window
  ondragover={hover}
  ondrop={drop}
  ondragleave={(event) => event.relatedTarget === null && (dragging = false)}
/>

<div
  class="rounded-box border border-dashed border-base-300 p-4 text-center"
  class:bg-base-200={dragging}
  data-testid="import"
>
  <input
    bind:this={input}
    id="import-file"
    class="sr-only"
    type="file"
    accept=".musicxml,.xml,.mxl,application/vnd.recordare.musicxml+xml,application/vnd.recordare.musicxml"
    onchange={() => send(input.files?.[0])}
    disabled={phase !== 'idle'}
  />
  {#if phase === 'idle'}
    <label for="import-file" class="btn btn-primary"
      ><FileUp class="size-4" aria-hidden="true" /> Import a piece</label
    >
    <a class="btn" href="/type"><Keyboard class="size-4" aria-hidden="true" /> Type one in</a>
    <p class="mt-2 text-sm opacity-70">
      or drop a MusicXML file (.musicxml, .xml, .mxl) anywhere on this page
    </p>
  {:else}
    <progress
      class="progress progress-primary w-64"
      value={phase === 'sending' ? share : undefined}
      max="1"
      aria-label="Import"
    ></progress>
    <p class="mt-1 text-sm" role="status">{phase === 'sending' ? 'Sending …' : 'Reading the piece …'}</p>
  {/if}
</div>
{#if problem}
  <div role="alert" class="alert mt-3 items-start border-error bg-base-100">
    <div>
      <p class="font-semibold">“{problem.file.name}” was not imported</p>
      <p class="text-sm">{problem.message}</p>
      {#if problem.parts}
        {@const file = problem.file}
        <div class="mt-2 flex flex-wrap gap-2">
          {#each problem.parts as part, index (index)}
            <button class="btn btn-sm" onclick={() => send(file, part.id)}>{part.name}</button>
          {/each}
        </div>
      {/if}
    </div>
    <button class="btn btn-ghost btn-sm" onclick={() => (problem = undefined)}>Dismiss</button>
  </div>
{/if}
