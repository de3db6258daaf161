<template>
    <svg viewBox="0 0 32 32" aria-hidden="true" fill="none" stroke="currentColor" stroke-width="2">
        <path d="M16 2v4M11 6.5h10M12 28.5h8" stroke-linecap="round" />
        <path d="M9 9h14l2.5 6.5L22 25H10L6.5 15.5z" fill="#F0A830" stroke-linejoin="round" />
        <path d="M16 12c2.5 3 3 4.5 3 6a3 3 0 0 1-6 0c0-1.5.5-3 3-6z" fill="#FFFDF8" stroke="none" />
    </svg>
</template>
