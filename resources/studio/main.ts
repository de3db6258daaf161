import { createPinia } from 'pinia';
import { createApp } from 'vue';
import { whenSignedOut } from '@/api/client';
import App from '@/App.vue';
import { router } from '@/router';
import { useSession } from '@/stores/session';
import './style.css';

const app = createApp(App).use(createPinia()).use(router);
whenSignedOut(() => {
    const session = useSession();
    session.session.signedIn = false;
});
app.mount('#studio');
