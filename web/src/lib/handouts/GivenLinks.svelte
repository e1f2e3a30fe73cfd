<script lang="ts">
  import { invalidateAll } from '$app/navigation';
  import type { SaveQueue } from '../document/save-queue.svelte.ts';
  import type { Lesson } from '../lesson/lesson.ts';
  import { LINK_DAYS } from './handout.ts';
  import type { HandoutRequest } from './handout-request.ts';

  interface Given {
    readonly id: string;
    readonly recipient: string;
    readonly density: string;
    readonly createdAt: Date;
    readonly endsAt: Date;
    readonly revokedAt: Date | null;
    readonly seenAt: Date | null;
    readonly questions: number;
  }
  interface Props {
    fingering: string;
    saving: SaveQueue;
    given: readonly Given[];
    lesson: Lesson;
    remarks: string;
    student: string;
    /** The link made last. */
    link: string;
  }
  let { fingering, saving, given, lesson, remarks, student, link = $bindable() }: Props = $props();

  let days = $state<number>(LINK_DAYS.usual);
  let busy = $state(false);
  let problem = $state('');
  let copied = $state(false);

  const day = (date: Date): string => date.toLocaleDateString('en', { dateStyle: 'medium' });
  const isOver = ({ revokedAt, endsAt }: Given): boolean => revokedAt !== null || endsAt < new Date();

  const messageOf = async (answer: Response): Promise<string> => {
    const { message } = (await answer.json().catch(() => ({}))) as { message?: string };
    return message ?? 'That did not work. Try again in a moment.';
  };
  const give = async (): Promise<void> => {
    busy = true;
    problem = '';
    copied = false;
    const wanted: HandoutRequest = { lesson: { ...lesson }, remarks, recipient: student.trim(), days };
    try {
      // What is given is made from what the server has.
      if (!(await saving.settle())) {
        problem = 'Nothing was given out: not everything is saved yet. See beside the title.';
        return;
      }
      const answer = await fetch(`/api/fingerings/${fingering}/handouts`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(wanted),
      });
      if (!answer.ok) problem = await messageOf(answer);
      else {
        ({ link } = (await answer.json()) as { link: string });
        await invalidateAll();
      }
    } catch {
      problem = 'Nothing was given out: the server could not be reached.';
    } finally {
      busy = false;
    }
  };
  const revoke = async ({ id, recipient }: Given): Promise<void> => {
    if (
      !confirm(`Take the link${recipient ? ` for ${recipient}` : ''} back? It then opens nothing any more.`)
    )
      return;
    const answer = await fetch(`/api/handouts/${id}`, { method: 'DELETE' }).catch(() => undefined);
    problem = answer?.ok ? '' : 'The link could not be taken back. Try again in a moment.';
    await invalidateAll();
  };
  const copy = async (): Promise<void> => {
    await navigator.clipboard.writeText(link).then(
      () => (copied = true),
      () => (copied = false),
    );
  };
</script>

<section class="space-y-2 text-sm" aria-label="Links">
  <h2 class="font-serif text-base">Give as a link</h2>
  <p class="opacity-70">Opens this sheet on a phone, without an account, as it stands now.</p>
  <label class="flex items-center gap-2"
    >Opens for
    <input
      class="input input-sm w-20"
      type="number"
      min={LINK_DAYS.least}
      max={LINK_DAYS.most}
      bind:value={days}
    /> days</label
  >
  <button class="btn btn-sm" disabled={busy} onclick={give}
    >{busy ? 'Making the page …' : 'Make a link'}</button
  >
  {#if problem}<p role="alert" class="text-error">{problem}</p>{/if}
  {#if link}
    <div class="space-y-1 rounded-box border border-base-300 p-2">
      <p class="break-all"><a class="link" href={link} data-testid="link">{link}</a></p>
      <button class="btn btn-xs" onclick={copy}>{copied ? 'Copied' : 'Copy'}</button>
      <p class="text-xs opacity-70">
        Shown this once: only its hash is kept. It is also the code on the printed sheet.
      </p>
    </div>
  {/if}
  {#if given.length > 0}
    <ul class="space-y-2" aria-label="Links given">
      {#each given as each (each.id)}
        <li class:opacity-60={isOver(each)}>
          <span class="font-semibold">{each.recipient || 'Without a name'}</span>, {each.density}, {day(
            each.createdAt,
          )}
          <span class="block text-xs">
            {each.revokedAt
              ? 'taken back'
              : each.endsAt < new Date()
                ? 'over'
                : `opens until ${day(each.endsAt)}`} ·
            {each.seenAt ? `last seen ${day(each.seenAt)}` : 'not opened yet'} · questions: {each.questions}
          </span>
          {#if !isOver(each)}<button class="btn btn-ghost btn-xs" onclick={() => revoke(each)}
              >Take back</button
            >{/if}
        </li>
      {/each}
    </ul>
  {/if}
</section>
