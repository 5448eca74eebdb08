<template>
  <router-link to="/prices">Prices</router-link>
  <router-link to="/stock" data-test="to-stock">Stock</router-link>
  <router-link to="/upkeep" data-test="to-upkeep">Upkeep</router-link>
  <router-link to="/practice" data-test="to-practice">Practice</router-link>
  <router-link to="/rules">Rules</router-link>
</template>
