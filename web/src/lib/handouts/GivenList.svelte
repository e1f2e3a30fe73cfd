<script module lang="ts">
  /** A page that was given, as its teacher sees it. */
  export interface Given {
    readonly id: string;
    readonly recipient: string;
    readonly density: string;
    readonly version: string | null;
    readonly ownHand: boolean;
    readonly createdAt: Date;
    readonly givenAt: Date;
    readonly endsAt: Date;
    readonly revokedAt: Date | null;
    readonly seenAt: Date | null;
    readonly editions: readonly Date[];
    readonly questions: number;
    readonly changed: 'piece' | 'version' | null;
  }
</script>

<script lang="ts">
  interface Props {
    given: readonly Given[];
    isBusy: boolean;
    onrenew: (given: Given) => void;
    onrevoke: (given: Given) => void;
  }
  const { given, isBusy, onrenew, onrevoke }: Props = $props();

  const day = (date: Date): string => date.toLocaleDateString('en', { dateStyle: 'medium' });
  const isOver = ({ revokedAt, endsAt }: Given): boolean => revokedAt !== null || endsAt < new Date();
  /** Of what it is, where that is not simply this version. */
  const origin = ({ version, ownHand }: Given): string =>
    version ? `, “${version}”` : ownHand ? ', for their hand' : '';
  const standing = (each: Given): string => {
    if (each.revokedAt) return 'taken back';
    return each.endsAt < new Date() ? 'over' : `opens until ${day(each.endsAt)}`;
  };
</script>

<ul class="space-y-2" aria-label="Links given">
  {#each given as each (each.id)}
    <li class:opacity-60={isOver(each)}>
      <span class="font-semibold">{each.recipient || 'Without a name'}</span>, {each.density}{origin(each)}, {day(
        each.givenAt,
      )}
      <span class="block text-xs">
        {standing(each)} · {each.seenAt ? `last seen ${day(each.seenAt)}` : 'not opened yet'} · questions: {each.questions}
      </span>
      {#if each.editions.length > 0}
        <span class="block text-xs"
          >Instead of what was given on {each.editions.map(day).toReversed().join(', ')}</span
        >
      {/if}
      {#if !isOver(each)}
        {#if each.changed}
          <span class="block text-xs text-caution"
            >{each.changed === 'piece'
              ? 'A note of the piece was corrected since; the student does not have that yet.'
              : 'The version has changed since.'}</span
          >
        {/if}
        <button class="btn btn-ghost btn-xs" disabled={isBusy} onclick={() => onrenew(each)}
          >Give as it stands now</button
        >
        <button class="btn btn-ghost btn-xs" disabled={isBusy} onclick={() => onrevoke(each)}
          >Take back</button
        >
      {/if}
    </li>
  {/each}
</ul>
