<script lang="ts">
  import { PencilLine, Trash2 } from '@lucide/svelte';
  import { onMount } from 'svelte';
  import { beforeNavigate, invalidateAll } from '$app/navigation';
  import AppPage from '$lib/shell/AppPage.svelte';
  import ModalDialog from '$lib/shell/ModalDialog.svelte';
  import ImportPanel from '$lib/library/ImportPanel.svelte';
  import StudyOffer from '$lib/library/StudyOffer.svelte';
  import RenameDialog from '$lib/library/RenameDialog.svelte';
  import { keyLabel, matchesSearch, touchedLabel } from '$lib/library/names.ts';
  import { expectSource } from '$lib/planner/source.ts';
  import { getReady } from '$lib/sheet/get-ready.ts';

  const { data } = $props();

  let search = $state('');
  let failure = $state('');
  let renaming = $state<(typeof data.pieces)[number]>();
  let doomed = $state<(typeof data.pieces)[number]>();
  const found = $derived(data.pieces.filter((piece) => matchesSearch(search, piece.title, piece.composer)));
  const now = new Date();
  /** Columns for which a phone has no room. */
  const ON_A_DESK = 'hidden sm:table-cell';

  // What the next click needs is fetched while the teacher looks for the piece.
  onMount(() => {
    void getReady();
  });

  // The file of the piece comes beside the data of its page, not after it.
  beforeNavigate(({ to }) => {
    if (to?.params?.piece && to.params.fingering) expectSource(to.params.piece);
  });

  const remove = async () => {
    if (!doomed) return;
    const { id, title } = doomed;
    doomed = undefined;
    const response = await fetch(`/api/pieces/${id}`, { method: 'DELETE' }).catch(() => undefined);
    failure = response?.ok ? '' : `“${title}” could not be deleted; it is still there.`;
    await invalidateAll();
  };
</script>

<AppPage title="Library" {data}>
  <section class="mt-6"><ImportPanel /></section>

  <main class="mt-8">
    <div class="flex flex-wrap items-end justify-between gap-3">
      <h1 class="text-xl">Pieces</h1>
      {#if data.pieces.length > 0}
        <label class="input input-sm w-64">
          <span class="sr-only">Search</span>
          <input type="search" placeholder="Title or composer" bind:value={search} />
        </label>
      {/if}
    </div>
    {#if failure}<p role="alert" class="mt-2 text-sm text-error">{failure}</p>{/if}
    {#if data.pieces.length === 0}
      <div class="mt-6 rounded-box bg-base-200 p-10 text-center">
        <p class="font-serif text-lg">The stand is empty.</p>
        <p class="mt-1 text-sm opacity-80">
          Export a piece as MusicXML from your notation program and drop it here. Oculon reads it, proposes a
          fingering for both hands and waits for your changes.
        </p>
        <StudyOffer />
      </div>
    {:else if found.length === 0}
      <p class="mt-6 text-sm">
        Nothing here is called “{search}”.
        <button class="link" onclick={() => (search = '')}>Show all</button>
      </p>
    {:else}
      <div class="mt-3 overflow-x-auto">
        <table class="table">
          <thead
            ><tr
              ><th>Title</th><th class={ON_A_DESK}>Composer</th><th class="text-right {ON_A_DESK}">Bars</th
              ><th class={ON_A_DESK}>Key</th><th>Last touched</th><th><span class="sr-only">Delete</span></th
              ></tr
            ></thead
          >
          <tbody>
            {#each found as piece (piece.id)}
              <tr class="hover:bg-base-200">
                <td
                  ><!-- The desk takes the focus itself, when there is something to take it. -->
                  <a
                    class="link-hover font-serif text-base"
                    data-sveltekit-keepfocus
                    href={piece.latest ? `/pieces/${piece.id}/${piece.latest}` : `/pieces/${piece.id}`}
                    >{piece.title}</a
                  ></td
                >
                <td class={ON_A_DESK}>{piece.composer || '–'}</td>
                <td class="text-right tabular-nums {ON_A_DESK}">{piece.bars}</td>
                <td class={ON_A_DESK}>{keyLabel(piece.keyFifths, piece.keyMode)}</td>
                <td
                  ><time datetime={piece.touchedAt.toISOString()}>{touchedLabel(piece.touchedAt, now)}</time
                  ></td
                >
                <td class="whitespace-nowrap">
                  <button
                    class="btn btn-ghost btn-sm btn-square"
                    aria-label="Rename {piece.title}"
                    onclick={() => (renaming = piece)}
                  >
                    <PencilLine class="size-4" />
                  </button>
                  <button
                    class="btn btn-ghost btn-sm btn-square"
                    aria-label="Delete {piece.title}"
                    onclick={() => (doomed = piece)}
                  >
                    <Trash2 class="size-4" />
                  </button>
                </td>
              </tr>
            {/each}
          </tbody>
        </table>
      </div>
    {/if}
  </main>
</AppPage>

{#if renaming}
  <RenameDialog
    piece={renaming}
    onclose={() => (renaming = undefined)}
    onrenamed={() => {
      renaming = undefined;
      void invalidateAll();
    }}
  />
{/if}
{#if doomed}
  <ModalDialog onclose={() => (doomed = undefined)}>
    <h2 class="text-lg">Delete “{doomed.title}”?</h2>
    <p class="mt-2 text-sm">
      The piece, its file and everything decided on it go for good. Export it first if you may need it again.
    </p>
    <div class="mt-6 flex justify-end gap-2">
      <button class="btn" onclick={() => (doomed = undefined)}>Keep it</button>
      <button class="btn btn-error" onclick={remove}>Delete</button>
    </div>
  </ModalDialog>
{/if}
