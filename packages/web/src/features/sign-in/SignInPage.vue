<script setup lang="ts">
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { ApiProblem } from '../../shared/api/problem'
import NoticeBox from '../../shared/parts/NoticeBox.vue'
import TextInput from '../../shared/parts/TextInput.vue'
import { useSessionStore } from '../../shared/sessionStore'

const session = useSessionStore()
const [route, router] = [useRoute(), useRouter()]
const login = ref('')
const password = ref('')
const state = ref<{ name: 'asking' } | { name: 'checking' } | { name: 'refused'; message: string }>({
  name: 'asking',
})

async function signIn() {
  state.value = { name: 'checking' }
  try {
    await session.signIn(login.value, password.value)
    const next = String(route.query['next'] ?? '/caseload')
    await router.push(next.startsWith('/') && !next.startsWith('//') ? next : '/caseload')
  } catch (error) {
    state.value = {
      name: 'refused',
      message: error instanceof ApiProblem ? error.message : 'Signing in failed. Try again.',
    }
  }
}
</script>

<template>
  <div class="page">
    <section class="story">
      <p class="wordmark">Pledge</p>
      <h1>What is safe today, how much of it, and did it happen?</h1>
      <p class="lead">
        Home exercise programs for hands that are healing: measured, dosed and judged against the chosen
        school, the dates and what was cleared.
      </p>
      <svg viewBox="0 0 420 96" class="drawing" aria-hidden="true">
        <rect x="0" y="58" width="70" height="22" fill="var(--stretch-1)" />
        <rect x="70" y="58" width="120" height="22" fill="var(--stretch-2)" />
        <rect x="190" y="58" width="80" height="22" fill="var(--stretch-3)" />
        <rect x="270" y="58" width="150" height="22" fill="var(--stretch-4)" />
        <path d="M0 50h40v-9h60v-9h70v-10h60v-9h90V8h100" fill="none" stroke="var(--teal)" stroke-width="3" />
        <g fill="var(--moss)">
          <circle cx="70" cy="86" r="4" />
          <circle cx="190" cy="86" r="4" />
        </g>
        <g fill="var(--paper)" stroke="var(--plum)" stroke-width="2"><circle cx="270" cy="86" r="4" /></g>
        <path d="M222 4v86" stroke="var(--ink)" stroke-width="2" />
      </svg>
    </section>
    <form class="sheet form" @submit.prevent="signIn">
      <h2>
        Sign in<span v-if="session.clinic.name" class="soft"> to {{ session.clinic.name }}</span>
      </h2>
      <TextInput v-model="login" label="Sign-in name" autocomplete="username" />
      <TextInput v-model="password" label="Password" type="password" autocomplete="current-password" />
      <NoticeBox v-if="state.name === 'refused'" tone="stop">{{ state.message }}</NoticeBox>
      <v-btn type="submit" size="large" :loading="state.name === 'checking'">Sign in</v-btn>
      <NoticeBox tone="care">
        <strong>No clinician has reviewed the rules and numbers in Pledge.</strong> They come from memory of
        published work and common practice. Pledge defers to the surgeon’s order, to local rules and to
        licensed practice, and clears no patient by itself.
      </NoticeBox>
      <p class="soft">
        A patient? Open <a href="/phone">/phone</a> on your own phone and enter the code from your therapist.
      </p>
    </form>
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(360px, 0.9fr);
  align-items: center;
  gap: 64px;
  max-width: 1080px;
  min-height: 100vh;
  margin: 0 auto;
  padding: 32px 28px;
}
.wordmark {
  font-size: 22px;
  font-weight: 800;
  color: var(--teal);
  margin-bottom: 28px;
}
h1 {
  font-size: 38px;
  line-height: 1.12;
  letter-spacing: -0.015em;
}
.lead {
  margin-top: 16px;
  font-size: 17px;
  color: var(--ink-soft);
  max-width: 46ch;
}
.drawing {
  margin-top: 36px;
  width: 100%;
  max-width: 440px;
}
.form {
  display: grid;
  gap: 16px;
  padding: 26px;
}
h2 {
  font-size: 19px;
}
h2 .soft {
  font-weight: 400;
}
@media (max-width: 860px) {
  .page {
    grid-template-columns: 1fr;
    gap: 28px;
  }
  h1 {
    font-size: 28px;
  }
  .drawing {
    display: none;
  }
}
</style>
