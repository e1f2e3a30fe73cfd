<script lang="ts">
  import {
    ArrowLeft,
    Download,
    Dumbbell,
    History,
    FileText,
    Keyboard,
    Redo2,
    Search,
    Send,
    Undo2,
  } from '@lucide/svelte';
  import type { Snippet } from 'svelte';
  import SaveBadge from '../document/SaveBadge.svelte';
  import ThemeToggle from '../ThemeToggle.svelte';
  import type { ExportFormat } from './piece-export.svelte.ts';
  import type { NamedVersion } from './versions/against.svelte.ts';
  import VersionMenu from './versions/VersionMenu.svelte';
  import { redo, undo } from './commands/deeds.ts';
  import type { Workbench } from './workbench.svelte.ts';

  interface Props {
    piece: { readonly id: string; readonly title: string; readonly composer: string | null };
    /** The version at hand as it is called, and as it is shown: with whom it is for. */
    version: { readonly id: string; readonly name: string; readonly isAway: boolean };
    versionName: string;
    /** The other versions of the piece. */
    others: readonly NamedVersion[];
    oncompare: (version: NamedVersion) => void;
    address: string;
    workbench: Workbench | undefined;
    exporting: boolean;
    onexport: (what: ExportFormat) => void;
    onpast: () => void;
    onhelp: () => void;
    onlist: () => void;
    /** The transport, where there is room for it here. */
    transport: Snippet | undefined;
  }
  const {
    piece,
    version,
    versionName,
    others,
    oncompare,
    address,
    workbench,
    exporting,
    onexport,
    onpast,
    onhelp,
    onlist,
    transport,
  }: Props = $props();
</script>

<header class="desk-header">
  <a class="btn btn-ghost btn-sm px-1" href="/" aria-label="Library"
    ><ArrowLeft class="size-4" aria-hidden="true" /> <span class="hidden xl:inline">Library</span></a
  >
  <div class="title">
    <h1 class="truncate text-lg leading-tight font-semibold" title={piece.title}>{piece.title}</h1>
    <div class="flex items-center text-xs">
      <a class="link-hover truncate underline decoration-dotted" href="/pieces/{piece.id}/versions"
        >{versionName}</a
      >
      <VersionMenu
        piecePath="/pieces/{piece.id}"
        {others}
        {oncompare}
        {version}
        settle={() => workbench?.decisions.saving.settle() ?? Promise.resolve(true)}
      />
      {#if version.isAway}<span class="badge badge-xs badge-warning">deleted</span>{/if}
      {#if piece.composer}<span class="truncate opacity-80">· {piece.composer}</span>{/if}
    </div>
  </div>
  {@render transport?.()}
  {#if workbench}
    <div class="deeds">
      <SaveBadge saving={workbench.decisions.saving} score={workbench.piece.score} />
      <button
        class="btn btn-ghost btn-sm btn-square"
        aria-label="Undo"
        disabled={!workbench.decisions.history.canUndo}
        onclick={() => undo(workbench)}><Undo2 class="size-4" /></button
      >
      <button
        class="btn btn-ghost btn-sm btn-square"
        aria-label="Redo"
        disabled={!workbench.decisions.history.canRedo}
        onclick={() => redo(workbench)}><Redo2 class="size-4" /></button
      >
      <button
        class="btn btn-ghost btn-sm btn-square"
        aria-label="What was done"
        title="What was done"
        onclick={onpast}><History class="size-4" /></button
      >
      <button class="btn btn-sm" aria-keyshortcuts="K" onclick={onlist}
        ><Search class="size-4" aria-hidden="true" />
        <span class="name">Do anything</span></button
      >
      <div class="dropdown dropdown-end">
        <button class="btn btn-sm btn-primary"
          ><Send class="size-4" aria-hidden="true" />
          <span class="name">{exporting ? 'Exporting …' : 'Hand out'}</span></button
        >
        <ul
          class="menu dropdown-content z-30 mt-1 w-64 rounded-box border border-base-300 bg-base-100 p-1 shadow"
        >
          <li><a href="{address}/lesson"><FileText class="size-4" aria-hidden="true" /> Lesson sheet</a></li>
          <li><a href="{address}/practice"><Dumbbell class="size-4" aria-hidden="true" /> Practice</a></li>
          <li>
            <button disabled={!workbench.planned.plan || exporting} onclick={() => onexport('musicxml')}
              ><Download class="size-4" aria-hidden="true" /> MusicXML with the fingering</button
            >
          </li>
          <li>
            <button
              disabled={!workbench.planned.plan || exporting}
              onclick={() => onexport('musicxml-tablature')}
              ><Download class="size-4" aria-hidden="true" /> MusicXML, six-line staff below</button
            >
          </li>
          <li>
            <button disabled={!workbench.planned.plan || exporting} onclick={() => onexport('json')}
              ><Download class="size-4" aria-hidden="true" /> The plan as JSON</button
            >
          </li>
          <li>
            <a href="/api/pieces/{piece.id}/source" download
              ><Download class="size-4" aria-hidden="true" /> The file as it came</a
            >
          </li>
        </ul>
      </div>
      <button class="btn btn-ghost btn-sm btn-square" aria-label="Keys" onclick={onhelp}
        ><Keyboard class="size-4" /></button
      >
    </div>
  {/if}
  <ThemeToggle />
</header>

<style>
  .desk-header {
    display: flex;
    align-items: center;
    gap: 0.4rem;
    min-height: 2.9rem;
    padding: 0.25rem 0.6rem;
    border-bottom: 1px solid var(--color-base-300);
    background: var(--color-base-100);
    position: relative;
    z-index: 20;
  }
  .title {
    flex: 1 1 8rem;
    min-width: 0;
  }
  .deeds {
    display: flex;
    align-items: center;
    gap: 0.25rem;
  }
  @media (max-width: 77rem) {
    .name {
      position: absolute;
      width: 1px;
      height: 1px;
      overflow: hidden;
      clip-path: inset(50%);
    }
  }
  @media (max-width: 48rem) {
    .desk-header {
      flex-wrap: wrap;
    }
  }
  @media print {
    .desk-header {
      display: none;
    }
  }
</style>
