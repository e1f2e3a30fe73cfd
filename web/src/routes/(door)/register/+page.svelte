<script lang="ts">
  import Field from '$lib/shell/Field.svelte';

  const { data, form } = $props();
  const problems = $derived((form?.problems ?? {}) as Readonly<Record<string, string>>);
</script>

<svelte:head><title>New account · Oculon</title></svelte:head>

<h1 class="text-xl">New account</h1>
{#if form?.sent}
  <p role="status" class="mt-3">
    A letter is on its way to <b>{form.sent}</b>. It holds a link to choose a name and a password.
  </p>
{:else if data.ticket}
  <form method="POST" action="?/create&ticket={data.ticket.token}" class="mt-4 space-y-4">
    <input type="hidden" name="ticket" value={data.ticket.token} />
    <Field
      label="Your name"
      name="name"
      autocomplete="name"
      required
      maxlength={100}
      value={form?.name ?? ''}
      problem={problems.name}
    />
    {#if data.ticket.email}
      <p class="text-sm">For <b>{data.ticket.email}</b></p>
    {:else}
      <Field
        label="Mail address"
        name="email"
        type="email"
        autocomplete="username"
        required
        value={form?.email ?? ''}
        problem={problems.email}
      />
    {/if}
    <Field
      label="Password"
      name="password"
      type="password"
      autocomplete="new-password"
      required
      minlength={10}
      hint="Ten characters at least; a few words are easy to remember and hard to guess."
      problem={problems.password}
    />
    {#if problems.ticket}<p role="alert" class="text-sm text-error">{problems.ticket}</p>{/if}
    {#if data.ticket.email && problems.email}<p role="alert" class="text-sm text-error">
        {problems.email}
      </p>{/if}
    <button class="btn btn-primary w-full">Create the account</button>
  </form>
{:else}
  {#if data.isDead}
    <p role="alert" class="mt-3 text-sm text-error">
      This link does not work any more: it works once, and for some days.
    </p>
  {/if}
  {#if problems.ticket}<p role="alert" class="mt-3 text-sm text-error">{problems.ticket}</p>{/if}
  {#if data.isOpen}
    <form method="POST" action="?/ask" class="mt-4 space-y-4">
      <Field
        label="Mail address"
        name="email"
        type="email"
        autocomplete="username"
        required
        value={form?.email ?? ''}
        problem={problems.email}
        hint="A letter with a link comes to this address."
      />
      <button class="btn btn-primary w-full">Send me the link</button>
    </form>
  {:else}
    <p class="mt-3">
      On this server one comes in by invitation: the operator sends a link. Ask them for one.
    </p>
  {/if}
{/if}
<p class="mt-6 text-sm"><a class="link" href="/sign-in">I have an account</a></p>
