<script lang="ts">
  import { enhance } from '$app/forms';
  import { LONGEST_QUESTION } from './handout.ts';
  import type { StudentWords } from './student-words.ts';

  interface Props {
    words: StudentWords;
    /** Counted from 0. */
    bar: number;
    /** Why the question sent last was refused. */
    refused: 'unreadable' | 'too-many' | undefined;
    onsent: () => void;
  }
  const { words, bar, refused, onsent }: Props = $props();

  let trouble = $state('');
  const shown = $derived(
    trouble || (refused && (refused === 'too-many' ? words.tooMany : words.unreadable)) || '',
  );
</script>

<form
  method="POST"
  action="?/ask"
  use:enhance={() => {
    trouble = '';
    return async ({ result, update }) => {
      if (result.type === 'error') trouble = words.notSent;
      // The page itself does not change by a question.
      else await update({ invalidateAll: false });
      if (result.type === 'success') onsent();
    };
  }}
>
  <input type="hidden" name="bar" value={bar} />
  <label class="block text-sm"
    >{words.question}
    <textarea class="textarea w-full" name="question" required maxlength={LONGEST_QUESTION} rows="2"
    ></textarea></label
  >
  <button class="btn btn-sm btn-primary">{words.send}</button>
  {#if shown}<p role="alert" class="text-sm text-error">{shown}</p>{/if}
</form>
