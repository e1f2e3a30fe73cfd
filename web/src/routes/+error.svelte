<script lang="ts">
  import { page } from '$app/state';
</script>

<main class="mx-auto max-w-xl p-10 text-center">
  <h1 class="text-2xl">{page.status === 404 ? 'Nothing here' : 'That did not work'}</h1>
  <p class="mt-3">{page.error?.message}</p>
  {#if page.error?.requestId}
    <p class="mt-2 text-xs opacity-70">
      Number of this request, if you ask for help: <code>{page.error.requestId}</code>
    </p>
  {/if}
  <a class="btn btn-primary mt-6" href="/">To the library</a>
</main>
