import { StrictMode, startTransition } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { App } from './app/app.tsx';
import { beginsWith } from './app/screens.ts';
import { keepForLater } from './offline/standing.ts';
import { letGoOfErased } from './store/erased.ts';
import { store } from './store/index.ts';

const root = createRoot(document.getElementById('root')!);
void beginsWith(location.pathname).then(() =>
  startTransition(() =>
    root.render(
      <StrictMode>
        <Provider store={store}>
          <App />
        </Provider>
      </StrictMode>,
    ),
  ),
);

void letGoOfErased();
keepForLater();
