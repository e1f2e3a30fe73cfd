<script lang="ts">
  import Field from '$lib/shell/Field.svelte';

  const { data, form } = $props();
</script>

<svelte:head><title>New password · Oculon</title></svelte:head>

<h1 class="text-xl">New password</h1>
{#if data.ticket}
  <form method="POST" action="?ticket={data.ticket}" class="mt-4 space-y-4">
    <input type="hidden" name="ticket" value={data.ticket} />
    <Field
      label="New password"
      name="password"
      type="password"
      autocomplete="new-password"
      required
      minlength={10}
      hint="Ten characters at least; a few words are easy to remember and hard to guess."
      problem={form?.problem}
    />
    <p class="text-sm opacity-80">Every other browser is signed out.</p>
    <button class="btn btn-primary w-full">Set the password</button>
  </form>
{:else}
  <p role="alert" class="mt-3 text-sm text-error">{form?.problem ?? data.problem}</p>
  <p class="mt-4 text-sm"><a class="link" href="/forgot">Ask for a new link</a></p>
{/if}
