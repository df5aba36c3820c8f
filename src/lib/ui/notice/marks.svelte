<script lang="ts">
	import { v5 as uuidv5 } from 'uuid';
	import { page } from '$app/state';

	/** What every form carries: the household that its page showed, and a key of its own, so that it is done once; and the units that it shows. */
	const id = $props.id();
</script>

<input type="hidden" name="household" value={page.data.household?.id} />
<input type="hidden" name="shownIn" value={page.data.household?.units} />
<input type="hidden" name="key" value={uuidv5(id, page.data.stamp)} />
