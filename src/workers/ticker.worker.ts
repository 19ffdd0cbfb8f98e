/** Wakes a hidden page once a second; its own timers are slowed down there. */
setInterval(() => self.postMessage(null), 1000);
