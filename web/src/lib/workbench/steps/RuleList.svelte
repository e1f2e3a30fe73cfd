<script lang="ts">
  import { barLabel, type PassageRule, type RuleId } from '@oculon/core';
  import type { OpenPiece } from '../open-piece.svelte.ts';
  import type { Decisions } from '../../document/decisions.svelte.ts';
  import { ruleWords } from '../../words.ts';

  interface Props {
    piece: OpenPiece;
    decisions: Decisions;
    rules: readonly (readonly [RuleId, PassageRule])[];
    ondone: () => void;
  }
  const { piece, decisions, rules, ondone }: Props = $props();

  const describe = (rule: PassageRule): string =>
    ruleWords(rule, (bar) => {
      const own = piece.score?.bars[bar];
      return own ? barLabel(own) : String(bar + 1);
    });
  const remove = (id: RuleId) => {
    decisions.setRule(id, null);
    ondone();
  };
</script>

{#if rules.length > 0}
  <ul aria-label="Rules">
    {#each rules as [id, rule] (id)}
      <li class="flex items-center justify-between">
        <span>{describe(rule)}</span>
        <button
          class="btn btn-ghost btn-xs"
          aria-label="Take away: {describe(rule)}"
          onclick={() => remove(id)}>Take away</button
        >
      </li>
    {/each}
  </ul>
{/if}
