<template>
  <div class="min-h-dvh"><slot /></div>
</template>
