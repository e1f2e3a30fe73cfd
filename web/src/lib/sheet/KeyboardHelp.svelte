<script lang="ts">
  import { TRANSPORT_KEYS } from '../sound/transport-keys.ts';
  import { KEY_BINDINGS } from '../workbench/commands.ts';

  const { onclose }: { onclose: () => void } = $props();
  const GROUPS = ['Walk', 'Left hand', 'Right hand', 'Work'] as const;
  const show = (dialog: HTMLDialogElement) => {
    dialog.showModal();
  };
</script>

<dialog class="modal" {@attach show} {onclose}>
  <div class="modal-box max-w-2xl">
    <h2 class="text-lg">Keys on the sheet</h2>
    <div class="mt-3 grid gap-6 sm:grid-cols-2">
      {#each GROUPS as group (group)}
        <section>
          <h3 class="font-semibold">{group}</h3>
          <dl class="mt-1 grid grid-cols-[6.5rem_1fr] gap-y-1 text-sm">
            {#each KEY_BINDINGS.filter((each) => each.group === group) as binding (binding.keys)}
              <dt><kbd class="kbd kbd-sm">{binding.keys}</kbd></dt>
              <dd>{binding.does}</dd>
            {/each}
          </dl>
        </section>
      {/each}
      <section>
        <h3 class="font-semibold">Listening</h3>
        <dl class="mt-1 grid grid-cols-[6.5rem_1fr] gap-y-1 text-sm">
          {#each TRANSPORT_KEYS as { keys, does } (keys)}
            <dt><kbd class="kbd kbd-sm">{keys}</kbd></dt>
            <dd>{does}</dd>
          {/each}
        </dl>
      </section>
    </div>
    <form method="dialog" class="modal-action"><button class="btn">Close</button></form>
  </div>
  <form method="dialog" class="modal-backdrop"><button>close</button></form>
</dialog>
