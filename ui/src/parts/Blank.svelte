<script lang="ts">
</script>
