<script lang="ts">
  import AppPage from '$lib/shell/AppPage.svelte';
  import TypingView from '$lib/typing/TypingView.svelte';

  const { data } = $props();
</script>

<AppPage title="Correct {data.piece.title}" {data}>
  <main class="mt-6">
    <h1 class="text-xl">Correct <span class="font-serif">{data.piece.title}</span></h1>
    <p class="mt-1 mb-4 text-sm opacity-80">
      What was decided stays at every note that is still written; a note that is changed is planned anew.
    </p>
    {#key data.piece.id}<TypingView piece={data.piece} />{/key}
  </main>
</AppPage>
