<script lang="ts">
  import * as z from 'zod/mini';
  import type { SaveQueue } from '../../document/save-queue.svelte.ts';
  import type { WayView } from '../../planner/api.ts';

  interface Props {
    way: WayView;
    saving: SaveQueue;
    piecePath: string;
    fingering: string;
  }
  /** Keeps a way as a version of its own, beside the one it was found in. */
  const { way, saving, piecePath, fingering }: Props = $props();

  let isNaming = $state(false);
  let isKeeping = $state(false);
  let name = $state('Another way');
  let kept = $state<string>();
  let problem = $state('');
  const answerSchema = z.object({ fingering: z.uuid() });

  const keep = async (): Promise<void> => {
    isKeeping = true;
    problem = '';
    try {
      if (!(await saving.settle())) throw new Error();
      const answer = await fetch(`/api/fingerings/${fingering}/versions`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ name, choices: way.choices }),
      });
      if (!answer.ok) throw new Error();
      kept = answerSchema.parse(await answer.json()).fingering;
      isNaming = false;
    } catch {
      problem = 'The version could not be made. Try again when everything is saved.';
    } finally {
      isKeeping = false;
    }
  };
</script>

{#if kept}
  <p role="status" class="text-sm">Kept as <a class="link" href="{piecePath}/{kept}">“{name}”</a>.</p>
{:else if isNaming}
  <form
    class="flex flex-wrap items-center gap-2"
    onsubmit={(event) => {
      event.preventDefault();
      void keep();
    }}
  >
    <input
      class="input input-sm w-44"
      aria-label="Name of the version"
      required
      maxlength="100"
      bind:value={name}
    />
    <button class="btn btn-sm" disabled={isKeeping}>{isKeeping ? 'Keeping …' : 'Keep'}</button>
  </form>
{:else}
  <button class="btn btn-sm" onclick={() => (isNaming = true)}>Keep as a version</button>
{/if}
{#if problem}<p role="alert" class="text-sm text-error">{problem}</p>{/if}
