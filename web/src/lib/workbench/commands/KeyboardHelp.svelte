<script lang="ts">
  import { TRANSPORT_KEYS } from '../../sound/transport-keys.ts';
  import { KEY_BINDINGS, KEY_GROUPS } from './key-table.ts';

  const { onclose }: { onclose: () => void } = $props();
  const show = (dialog: HTMLDialogElement) => {
    dialog.showModal();
  };
  const OTHER_KEYS = [
    { keys: 'K', does: 'do anything: the list of all deeds' },
    { keys: '?', does: 'these keys' },
  ] as const;
  const sections = [
    ...KEY_GROUPS.map((name) => ({
      name: name as string,
      keys: KEY_BINDINGS.filter(({ group, keys }) => group === name && keys !== ''),
    })),
    { name: 'Listening', keys: TRANSPORT_KEYS },
    { name: 'Help', keys: OTHER_KEYS },
  ];
</script>

<dialog class="modal" {@attach show} {onclose}>
  <div class="modal-box max-w-4xl">
    <h2 class="text-lg">Keys on the sheet</h2>
    <div class="mt-3 gap-6 sm:columns-2 lg:columns-3">
      {#each sections as { name, keys } (name)}
        <section class="mb-4 break-inside-avoid">
          <h3 class="font-semibold">{name}</h3>
          <dl class="mt-1 grid grid-cols-[6.5rem_1fr] gap-y-1 text-sm">
            {#each keys as binding (binding.keys)}
              <dt><kbd class="kbd kbd-sm">{binding.keys}</kbd></dt>
              <dd>{binding.does}</dd>
            {/each}
          </dl>
        </section>
      {/each}
    </div>
    <form method="dialog" class="modal-action"><button class="btn">Close</button></form>
  </div>
  <form method="dialog" class="modal-backdrop"><button>close</button></form>
</dialog>
