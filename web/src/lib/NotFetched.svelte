<script lang="ts">
  /** Whether it lies over the page, where what failed would have done so. */
  const { floats = false }: { floats?: boolean } = $props();
</script>

<!-- Instead of a part that is fetched when it is opened, when that fails. -->
<p
  role="alert"
  class="rounded-box border border-error bg-base-100 p-3 text-sm"
  class:floating={floats}
  data-not-fetched
>
  This part could not be fetched. Nothing is lost: check the connection, and load the page again once
  everything is saved.
</p>

<style>
  .floating {
    position: fixed;
    inset: auto 1rem 1rem;
    z-index: 10;
    margin-inline: auto;
    max-width: 30rem;
  }
</style>
