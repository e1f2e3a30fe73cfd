<script lang="ts">
  import Field from '$lib/shell/Field.svelte';

  const { form } = $props();
</script>

<svelte:head><title>Password forgotten · Oculon</title></svelte:head>

<h1 class="text-xl">Password forgotten</h1>
{#if form?.sent}
  <p role="status" class="mt-3">
    If <b>{form.sent}</b> has an account here, a letter is on its way. Its link works for an hour.
  </p>
{:else}
  <form method="POST" class="mt-4 space-y-4">
    <Field
      label="Mail address"
      name="email"
      type="email"
      autocomplete="username"
      required
      value={form?.email ?? ''}
      problem={form?.problem}
    />
    <button class="btn btn-primary w-full">Send me a link</button>
  </form>
{/if}
<p class="mt-6 text-sm"><a class="link" href="/sign-in">Back to signing in</a></p>
