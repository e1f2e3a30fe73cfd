<script lang="ts">
  import Field from '$lib/shell/Field.svelte';

  const { data, form } = $props();
</script>

<svelte:head><title>Sign in · Oculon</title></svelte:head>

<h1 class="text-xl">Sign in</h1>
{#if data.isSignedIn}
  <p class="mt-2 text-sm">Somebody is signed in here already. <a class="link" href="/">To the library</a></p>
{/if}
<form method="POST" action="?/in" class="mt-4 space-y-4">
  <input type="hidden" name="to" value={form?.to ?? data.to} />
  <Field
    label="Mail address"
    name="email"
    type="email"
    autocomplete="username"
    required
    value={form?.email ?? ''}
  />
  <Field label="Password" name="password" type="password" autocomplete="current-password" required />
  {#if form?.problem}<p role="alert" class="text-sm text-error">{form.problem}</p>{/if}
  <button class="btn btn-primary w-full">Sign in</button>
</form>
<p class="mt-6 flex flex-wrap justify-between gap-3 text-sm">
  <a class="link" href="/forgot">Password forgotten</a>
  {#if data.isOpen}<a class="link" href="/register">New here</a>{:else}<span class="opacity-70"
      >New here? The operator of this server invites.</span
    >{/if}
  {#if data.showsOutbox}<a class="link" href="/outbox">Outbox</a>{/if}
</p>
