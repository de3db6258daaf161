<template>
    <div class="mx-auto max-w-xl px-8 py-20">
        <h1 class="text-3xl">There is nothing here</h1>
        <p class="mt-3">
            The thing you are looking for was moved or never was. <RouterLink to="/funnels" class="link">See all funnels</RouterLink>
        </p>
    </div>
</template>
