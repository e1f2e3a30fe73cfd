<script lang="ts">
  import { invalidateAll } from '$app/navigation';

  let busy = $state(false);
  let told = $state('');
  let problem = $state('');

  const take = async (event: Event & { currentTarget: HTMLInputElement }) => {
    const input = event.currentTarget;
    const [file] = input.files ?? [];
    if (!file) return;
    busy = true;
    told = problem = '';
    try {
      const response = await fetch('/api/archive', {
        method: 'POST',
        headers: { 'content-type': 'application/zip' },
        body: file,
      });
      const answer = await response.json();
      if (response.ok)
        told = `Taken in: ${answer.pieces} pieces with ${answer.versions} versions, ${answer.students} students, ${answer.instruments} instruments.`;
      else problem = answer.message;
      await invalidateAll();
    } catch {
      problem = 'The server could not be reached; nothing was taken in.';
    } finally {
      busy = false;
      input.value = '';
    }
  };
</script>

<section class="max-w-md">
  <h2 class="text-lg">Your data</h2>
  <p class="mt-2 text-sm opacity-80">
    Pieces with their files, versions with every change, students with their plans and logs, instruments: all
    of it in one file that this or another Oculon takes in again.
  </p>
  <div class="mt-3 flex flex-wrap items-center gap-3">
    <a class="btn" href="/api/archive" download>Save everything</a>
    <label class={['btn btn-ghost', busy && 'btn-disabled']}>
      {busy ? 'Taking it in …' : 'Take an archive in'}
      <input type="file" class="sr-only" accept=".zip" disabled={busy} onchange={take} />
    </label>
  </div>
  {#if told}<p role="status" class="mt-2 text-sm">{told}</p>{/if}
  {#if problem}<p role="alert" class="mt-2 text-sm text-error">{problem}</p>{/if}
</section>
