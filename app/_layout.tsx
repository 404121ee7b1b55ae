import { Navigator } from 'expo-router';
import { useState, type ReactNode } from 'react';
import { Provider } from 'react-redux';
import { config } from 'zod';

import { chosenBeginning, laterParts } from '@/offices';
import { CallOver } from '@/screens/shell/CallOver';
import { GuestShell, Shell } from '@/screens/shell/Shell';
import { boot, createAppStore, ServicesContext, useAppSelector } from '@/state/app';
import { isGuestPage } from '@/state/offices';
import { ThemeProvider } from '@/ui/tokens';

// The page's policy forbids code made from text, which Zod would otherwise try.
config({ jitless: true });

const { store, services } = createAppStore();
const ordinaryTextPixels = 16;

// Before anything is drawn, so that what hosts the office is fetched meanwhile.
const beginning = chosenBeginning();
// Whoever comes to a meeting by a link is nobody of the office: nothing of it is opened for them.
if (!isGuestPage()) void boot(store, services, beginning, laterParts(beginning));

const Around = isGuestPage() ? GuestShell : Shell;

export default function Layout() {
  return (
    <Provider store={store}>
      <ServicesContext.Provider value={services}>
        <Themed>
          <Around>
            <Navigator>
              <CallOver />
            </Navigator>
          </Around>
        </Themed>
      </ServicesContext.Provider>
    </Provider>
  );
}

function Themed({ children }: { children: ReactNode }) {
  const { theme: choice, textSize } = useAppSelector((state) => state.settings);
  const [textScale] = useState(
    () => parseFloat(getComputedStyle(document.documentElement).fontSize) / ordinaryTextPixels,
  );
  return (
    <ThemeProvider choice={choice} textScale={(textScale * textSize) / 100}>
      {children}
    </ThemeProvider>
  );
}
