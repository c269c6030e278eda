// Run for itself before what stands on it (`begin.ts`). Asked for by its package's name all of the router would come,
// the server's half of it too: nobody can tell then which parts of it are used.
export { Link } from 'react-router';
