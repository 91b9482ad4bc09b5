<script setup lang="ts">
import {
  mdiBookOpenPageVariantOutline,
  mdiClose,
  mdiFormatListText,
  mdiLogout,
  mdiTimelineTextOutline,
} from '@mdi/js'
import { useRouter } from 'vue-router'
import { useSessionStore } from '../shared/sessionStore'

const session = useSessionStore()
const router = useRouter()

async function signOut() {
  await session.signOut()
  await router.push({ name: 'signIn' })
}
const ROLE_WORDS = { lead: 'clinic lead', therapist: 'therapist', assistant: 'assistant' }
</script>

<template>
  <v-app>
    <a href="#content" class="skip">Skip to the content</a>
    <header v-if="session.user" class="top">
      <router-link to="/caseload" class="wordmark">Pledge</router-link>
      <nav class="tabs" aria-label="Open cases">
        <router-link to="/caseload" class="tab">Caseload</router-link>
        <span v-for="one in session.openCases" :key="one.id" class="tab-holder">
          <router-link :to="`/cases/${one.id}`" class="tab with-close">{{ one.label }}</router-link>
          <button
            class="tab-close"
            :aria-label="`Close the tab of ${one.label}`"
            @click="session.closeTab(one.id)"
          >
            <v-icon :icon="mdiClose" size="14" />
          </button>
        </span>
      </nav>
      <nav class="places" aria-label="Places">
        <router-link to="/library" class="plain-link"
          ><v-icon :icon="mdiBookOpenPageVariantOutline" size="16" /> Library</router-link
        >
        <router-link to="/protocols" class="plain-link"
          ><v-icon :icon="mdiTimelineTextOutline" size="16" /> Protocols</router-link
        >
        <router-link v-if="session.user.role === 'lead'" to="/audit" class="plain-link"
          ><v-icon :icon="mdiFormatListText" size="16" /> Who did what</router-link
        >
      </nav>
      <span class="person"
        >{{ session.user.name }}<span class="soft"> · {{ ROLE_WORDS[session.user.role] }}</span></span
      >
      <button class="sign-out" @click="signOut"><v-icon :icon="mdiLogout" size="16" /> Sign out</button>
    </header>
    <main id="content" class="content"><router-view /></main>
  </v-app>
</template>

<style scoped>
.top {
  display: flex;
  align-items: flex-end;
  gap: 22px;
  height: 46px;
  padding: 0 18px;
  border-bottom: 1px solid var(--line);
  background: var(--sheet);
  font-size: 14px;
}
.wordmark {
  align-self: center;
  font-weight: 800;
  font-size: 19px;
  letter-spacing: -0.01em;
  text-decoration: none;
}
.tabs {
  display: flex;
  flex: 1;
  gap: 8px;
  min-width: 0;
}
.tab-holder {
  position: relative;
  display: flex;
  min-width: 0;
}
.tab {
  padding: 7px 13px;
  border: 1px solid var(--line);
  border-bottom: 0;
  border-radius: 5px 5px 0 0;
  background: var(--paper-deep);
  color: var(--ink) !important;
  text-decoration: none;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.tab.with-close {
  padding-right: 30px;
}
.tab.router-link-active {
  background: var(--paper);
  font-weight: 650;
  box-shadow: 0 1px 0 var(--paper);
}
.tab-close {
  position: absolute;
  right: 4px;
  top: 6px;
  display: grid;
  place-items: center;
  width: 24px;
  height: 24px;
  border: 0;
  background: none;
  color: var(--ink-soft);
  cursor: pointer;
}

.places {
  display: flex;
  align-self: center;
  gap: 16px;
}
.plain-link {
  display: inline-flex;
  align-items: center;
  gap: 5px;
  text-decoration: none;
}
.plain-link.router-link-active {
  font-weight: 650;
  text-decoration: underline;
  text-underline-offset: 4px;
}
.plain-link,
.person,
.sign-out {
  align-self: center;
  white-space: nowrap;
}
.sign-out {
  border: 0;
  background: none;
  color: var(--teal);
  font: inherit;
  cursor: pointer;
}
@media (max-width: 1000px) {
  .top {
    flex-wrap: wrap;
    gap: 6px 18px;
    height: auto;
    padding-top: 8px;
  }
  .places {
    margin-left: auto;
  }
  .tabs {
    order: 1;
    flex-basis: 100%;
  }
}
.content {
  font-size: 15px;
  line-height: 1.4;
}
.skip {
  position: absolute;
  left: -999px;
}
.skip:focus {
  left: 10px;
  top: 10px;
  z-index: 10;
  background: var(--sheet);
  padding: 8px;
}
</style>
