<script lang="ts">
  import AppPage from '$lib/shell/AppPage.svelte';
  import SelectField from '$lib/shell/SelectField.svelte';
  import { LANGUAGE_NAMES, NOTE_NAMES } from '$lib/shell/choices.ts';
  import Field from '$lib/shell/Field.svelte';
  import { browserName } from '$lib/account/browser-name.ts';
  import ArchivePanel from '$lib/account/ArchivePanel.svelte';

  const { data, form } = $props();
  const problems = $derived((form?.problems ?? {}) as Readonly<Record<string, string>>);
  const doneIn = (part: string) => (form?.part === part && 'done' in form ? form.done : '');
  const time = new Intl.DateTimeFormat('en', { dateStyle: 'medium', timeStyle: 'short' });
  const day = new Intl.DateTimeFormat('en', { dateStyle: 'long' });
</script>

<AppPage title="Account" {data}>
  <main class="mt-8 space-y-10">
    <section class="max-w-md">
      <h1 class="text-xl">Account</h1>
      {#if data.account?.email}<p class="mt-1 text-sm opacity-80">{data.account.email}</p>{/if}
      <form method="POST" action="?/profile" class="mt-4 space-y-4">
        <Field
          label="Name"
          name="name"
          required
          maxlength={100}
          value={data.account?.name}
          hint="Versions that you make carry it."
          problem={problems.name}
        />
        <div class="grid grid-cols-2 gap-4">
          <SelectField
            label="Language of sheets"
            name="language"
            value={data.account?.language ?? 'en'}
            options={LANGUAGE_NAMES}
          />
          <SelectField
            label="Names of notes"
            name="noteNames"
            value={data.account?.noteNames ?? 'letters'}
            options={NOTE_NAMES}
          />
        </div>
        <button class="btn">Keep</button>
        {#if doneIn('profile')}<span role="status" class="ml-2 text-sm">{doneIn('profile')}</span>{/if}
      </form>
    </section>

    {#if data.hasPassword}
      <section class="max-w-md">
        <h2 class="text-lg">Password</h2>
        <form method="POST" action="?/password" class="mt-3 space-y-4">
          <Field
            label="So far"
            name="old"
            type="password"
            autocomplete="current-password"
            required
            problem={problems.old}
          />
          <Field
            label="From now on"
            name="password"
            type="password"
            autocomplete="new-password"
            required
            minlength={10}
            hint="Ten characters at least."
            problem={problems.password}
          />
          <button class="btn">Change the password</button>
          {#if doneIn('password')}<p role="status" class="text-sm">{doneIn('password')}</p>{/if}
        </form>
      </section>
    {/if}

    <section>
      <h2 class="text-lg">Signed in</h2>
      {#if data.sessions.length === 0}
        <p class="mt-2 text-sm opacity-80">
          No browser is signed in with a password; the demo has let you in by itself.
        </p>
      {:else}
        <ul class="mt-3 divide-y divide-base-300">
          {#each data.sessions as session (session.id)}
            <li class="flex flex-wrap items-center gap-3 py-2 text-sm">
              <span class="grow"
                >{browserName(session.browser)}{#if session.isThis}, <b>here</b>{/if}
                <span class="block text-xs opacity-70"
                  >since {time.format(session.createdAt)}, last used {time.format(session.seenAt)}</span
                ></span
              >
              {#if !session.isThis}
                <form method="POST" action="?/close">
                  <input type="hidden" name="session" value={session.id} />
                  <button class="btn btn-ghost btn-sm">Sign out there</button>
                </form>
              {/if}
            </li>
          {/each}
        </ul>
      {/if}
      {#if doneIn('sessions')}<p role="status" class="text-sm">{doneIn('sessions')}</p>{/if}
      <form method="POST" action="?/everywhere" class="mt-3">
        <button class="btn btn-sm">Sign out everywhere</button>
      </form>
    </section>

    <ArchivePanel />

    <section class="max-w-md">
      <h2 class="text-lg">Delete the account</h2>
      {#if data.teacher.deletionDueAt}
        <p class="mt-2 text-sm">
          It goes on {day.format(data.teacher.deletionDueAt)}, with every piece, version and student. Until
          then everything works as before.
        </p>
        <form method="POST" action="?/keep" class="mt-3">
          <button class="btn btn-primary">Keep the account</button>
        </form>
      {:else}
        <p class="mt-2 text-sm opacity-80">
          Everything goes for good after a pause of {data.pause} days, in which you can take it back. Save your
          data first if you may need it again.
        </p>
        <form method="POST" action="?/delete" class="mt-3 space-y-3">
          <Field
            label="Your name, to be sure"
            name="name"
            autocomplete="off"
            required
            problem={problems.confirm}
          />
          <button class="btn btn-error">Delete in {data.pause} days</button>
        </form>
      {/if}
      {#if doneIn('delete')}<p role="status" class="mt-2 text-sm">{doneIn('delete')}</p>{/if}
    </section>
  </main>
</AppPage>
