<script lang="ts">
  import AppPage from '$lib/shell/AppPage.svelte';
  import TypingView from '$lib/typing/TypingView.svelte';

  const { data } = $props();
</script>

<AppPage title="Type a piece in" {data}>
  <main class="mt-6">
    <h1 class="text-xl">Type a piece in</h1>
    <p class="mt-1 mb-4 text-sm opacity-80">
      For single lines and two-voice studies. What you type is kept in this browser until it is made a piece.
    </p>
    <TypingView />
  </main>
</AppPage>
