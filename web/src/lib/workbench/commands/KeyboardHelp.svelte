<script lang="ts">
  import ModalDialog from '../../shell/ModalDialog.svelte';
  import { TRANSPORT_KEYS } from '../../sound/transport-keys.ts';
  import { KEY_BINDINGS, KEY_GROUPS } from './key-table.ts';

  const { onclose }: { onclose: () => void } = $props();
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

<ModalDialog isWide closesBeside {onclose}>
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
  <form method="dialog" class="mt-6 flex justify-end gap-2"><button class="btn">Close</button></form>
</ModalDialog>
