<section class="py-14 text-center">
	<h1 class="text-3xl">Nothing to choose for yet.</h1>
	<p class="mt-2 text-soft">Put something in the Basket, and its ways stand here side by side.</p>
	<p class="mt-6"><a class="btn btn-full" href="/basket">To the Basket</a></p>
</section>
