<script lang="ts">
  import { barLabel, pitchLabel, type Choice } from '@oculon/core';
  import { stringSign } from '../workbench/commands.ts';
  import { REMEDY_WORDS } from './words.ts';
  import type { Workbench } from '../workbench/workbench.svelte.ts';

  const { workbench }: { workbench: Workbench } = $props();

  const describe = (choice: Choice): string => {
    const parts = [
      choice.string == null ? '' : stringSign(choice.string),
      choice.finger == null ? '' : choice.finger === 0 ? 'open' : `finger ${choice.finger}`,
      choice.pluck ?? '',
      choice.remedy == null ? '' : REMEDY_WORDS[choice.remedy],
    ].filter(Boolean);
    return parts.length > 0 ? parts.join(', ') : 'left to Oculon';
  };
  const show = (dialog: HTMLDialogElement) => {
    dialog.showModal();
  };
</script>

{#if workbench.conflict && workbench.score}
  {@const { conflicts, decide } = workbench.conflict}
  <dialog class="modal" {@attach show} oncancel={(event) => event.preventDefault()}>
    <div class="modal-box">
      <h2 class="text-lg">Decided in two places</h2>
      <p class="mt-1 text-sm">
        These notes were also decided in another window. Nothing is lost until you choose.
      </p>
      <table class="table table-sm mt-2">
        <thead><tr><th>Note</th><th>Here</th><th>In the other window</th></tr></thead>
        <tbody>
          {#each conflicts as conflict (conflict.note)}
            {@const note = workbench.score.notes.find((each) => each.id === conflict.note)}
            <tr>
              <td
                >{note
                  ? `bar ${barLabel(workbench.score.bars[note.bar]!)}, ${pitchLabel(note.sounding)}`
                  : conflict.note}</td
              >
              <td>{describe(conflict.mine)}</td>
              <td>{describe(conflict.theirs)}</td>
            </tr>
          {/each}
        </tbody>
      </table>
      <div class="modal-action">
        <button class="btn" onclick={() => decide(false)}>Take the other window's</button>
        <button class="btn btn-primary" onclick={() => decide(true)}>Keep what is here</button>
      </div>
    </div>
  </dialog>
{/if}
