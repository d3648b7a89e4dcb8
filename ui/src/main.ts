import { mount } from 'svelte';
import App from './App.svelte';
import './app.css';
import { letters } from './lib/letters';

void letters().then(() => mount(App, { target: document.getElementById('app')! }));
