export const load = () => ({ title: 'Ride' });
