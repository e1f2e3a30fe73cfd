<script lang="ts">
  import { goto } from '$app/navigation';
  import study from '../../../../demo/studies/one-thread.musicxml?url';
  import { askForFirstMinute } from '../workbench/first-minute/first-minute.svelte.ts';
  import { uploadPiece } from './upload.ts';

  /** Lays a study of our own on the empty stand and leads through the first minute on it. */
  let isLaying = $state(false);
  let problem = $state('');

  const lay = async (): Promise<void> => {
    isLaying = true;
    problem = '';
    try {
      const answer = await fetch(study);
      if (!answer.ok) throw new Error();
      const outcome = await uploadPiece(
        new File([await answer.blob()], 'one-thread.musicxml'),
        undefined,
        () => undefined,
      );
      if (!outcome.ok) {
        problem = outcome.error.message;
        return;
      }
      askForFirstMinute();
      await goto(`/pieces/${outcome.value.id}`);
    } catch {
      problem = 'The study could not be fetched. Check the connection and try again.';
    } finally {
      isLaying = false;
    }
  };
</script>

<button class="btn btn-primary mt-4" disabled={isLaying} onclick={lay}
  >{isLaying ? 'Laying it on the stand …' : 'Show me on a study, in a minute'}</button
>
{#if problem}<p role="alert" class="mt-2 text-sm text-error">{problem}</p>{/if}
