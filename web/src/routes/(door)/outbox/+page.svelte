<script lang="ts">
  const { data } = $props();

  const time = new Intl.DateTimeFormat('en', { dateStyle: 'medium', timeStyle: 'short' });
  /** A letter in pieces: its text, and its links to follow here. */
  const pieces = (body: string) =>
    body.split(/(https?:\/\/\S+)/).map((text) => {
      const url = /^https?:/.test(text) && URL.canParse(text) ? new URL(text) : undefined;
      return { text, path: url && url.pathname + url.search };
    });
</script>

<svelte:head><title>Outbox · Oculon</title></svelte:head>

<h1 class="text-xl">Outbox</h1>
<p class="mt-1 text-sm opacity-80">
  No mail server is set, so letters lie here. With <code>OCULON_SMTP</code> they go out.
</p>
<ul class="mt-4 space-y-4">
  {#each data.letters as letter (letter.id)}
    <li class="rounded-box bg-base-200 p-4 text-sm">
      <p class="font-medium">{letter.subject}</p>
      <p class="text-xs opacity-70">to {letter.recipient}, {time.format(letter.createdAt)}</p>
      <p class="mt-2 whitespace-pre-line break-words">
        {#each pieces(letter.body) as piece, index (index)}{#if piece.path}<a class="link" href={piece.path}
              >{piece.text}</a
            >{:else}{piece.text}{/if}{/each}
      </p>
    </li>
  {:else}
    <li class="opacity-80">No letters yet.</li>
  {/each}
</ul>
<p class="mt-6 text-sm"><a class="link" href="/">To the library</a></p>
