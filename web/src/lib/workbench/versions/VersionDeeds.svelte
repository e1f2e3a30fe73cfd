<script lang="ts">
  import type { SubmitFunction } from '@sveltejs/kit';
  import { enhance } from '$app/forms';
  import { goto, invalidateAll } from '$app/navigation';

  interface Props {
    /** Where the versions of the piece lie. */
    piecePath: string;
    /** The version at hand. */
    version: { readonly id: string; readonly name: string; readonly isAway: boolean };
    /** Saves what waits; a version is made from what the server has. */
    settle: () => Promise<boolean>;
    onclose: () => void;
  }
  /** A new version from the one at hand, and what can be done with it: another name, delete, take back. */
  const { piecePath, version, settle, onclose }: Props = $props();

  // svelte-ignore state_referenced_locally
  let name = $state(version.name);
  let newName = $state('');
  let problem = $state('');
  let isWorking = $state(false);

  const UNSAVED = 'Your last decisions are not saved yet. Try again when they are.';

  const submit: SubmitFunction = async ({ cancel }) => {
    isWorking = true;
    problem = '';
    if (!(await settle())) {
      problem = UNSAVED;
      isWorking = false;
      cancel();
      return;
    }
    return async ({ result }) => {
      isWorking = false;
      if (result.type === 'redirect') {
        onclose();
        await goto(result.location);
      } else if (result.type === 'success') {
        await invalidateAll();
        onclose();
      } else
        problem =
          (result.type === 'failure' && (result.data?.problem as string)) ||
          'That could not be done. Check the connection and try again.';
    };
  };
</script>

<div class="mt-2 space-y-2 border-t border-base-300 pt-2">
  <form method="POST" action="{piecePath}/versions?/create" class="flex gap-1" use:enhance={submit}>
    <input type="hidden" name="origin" value={version.id} />
    <input
      class="input input-xs grow"
      name="name"
      required
      maxlength="100"
      aria-label="Name of a new version"
      placeholder="A new version, made from this one"
      bind:value={newName}
    />
    <button class="btn btn-xs" disabled={isWorking}>Make it</button>
  </form>
  <form method="POST" action="{piecePath}/versions?/rename" class="flex gap-1" use:enhance={submit}>
    <input type="hidden" name="version" value={version.id} />
    <input
      class="input input-xs grow"
      name="name"
      required
      maxlength="100"
      aria-label="Name of this version"
      bind:value={name}
    />
    <button class="btn btn-xs" disabled={isWorking || name.trim() === version.name}>Rename</button>
  </form>
  <form
    method="POST"
    action="{piecePath}/versions?/{version.isAway ? 'back' : 'away'}"
    class="flex items-center gap-2"
    use:enhance={submit}
  >
    <input type="hidden" name="version" value={version.id} />
    <button class="btn btn-xs" disabled={isWorking}
      >{version.isAway ? 'Take this version back' : 'Delete this version'}</button
    >
    <a class="link text-xs" href="{piecePath}/versions">All versions</a>
  </form>
  {#if problem}<p role="alert" class="text-error">{problem}</p>{/if}
</div>
