<script lang="ts">
  import { enhance } from '$app/forms';

  interface Props {
    givenAt: Date | null;
    seenAt: Date | null;
    /** The link that was just made: it is shown this once. */
    made: string | undefined;
  }
  const { givenAt, seenAt, made }: Props = $props();

  const day = new Intl.DateTimeFormat('en-GB', { dateStyle: 'long' });
  let copied = $state('');
  let asks = $state(false);
  const copy = async (text: string): Promise<void> => {
    await navigator.clipboard.writeText(text).then(
      () => (copied = text),
      () => (copied = ''),
    );
  };
</script>

<section aria-labelledby="link-heading">
  <h2 id="link-heading" class="text-lg">The student’s link</h2>
  <p class="mt-1 text-sm">
    {#if givenAt}Given on {day.format(givenAt)}; {seenAt
        ? `opened last on ${day.format(seenAt)}.`
        : 'not opened yet.'}
    {:else}By it the student practises and logs on a phone, without an account. It opens this student’s plan
      and log and nothing else.{/if}
  </p>
  {#if made}
    <div class="mt-2 rounded-box border border-base-300 p-2 text-sm">
      <p class="break-all"><a class="link" href={made} data-testid="practice-link">{made}</a></p>
      <button class="btn btn-xs" onclick={() => copy(made)}>{copied === made ? 'Copied' : 'Copy'}</button>
      <p class="mt-1 text-xs opacity-70">Shown this once: only its hash is kept.</p>
    </div>
  {/if}
  <div class="mt-2 flex flex-wrap gap-2">
    {#if givenAt && !asks}
      <button class="btn btn-sm" onclick={() => (asks = true)}>Make a new link</button>
    {:else}
      <form
        method="POST"
        action="?/link"
        use:enhance={() =>
          async ({ update }) => {
            asks = false;
            await update();
          }}
      >
        {#if asks}<p class="mb-1 text-sm">The link of before will open nothing any more.</p>{/if}
        <button class="btn btn-sm btn-primary">Make {givenAt ? 'a new' : 'the'} link</button>
        {#if asks}<button type="button" class="btn btn-ghost btn-sm" onclick={() => (asks = false)}
            >Leave it</button
          >{/if}
      </form>
    {/if}
    {#if givenAt && !asks}
      <form method="POST" action="?/link" use:enhance>
        <input type="hidden" name="revoke" value="yes" />
        <button class="btn btn-ghost btn-sm">Take it back</button>
      </form>
    {/if}
  </div>
</section>
