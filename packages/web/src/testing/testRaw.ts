/** In place of a file that the page takes in as text. Used by tests only. */
export default 'A file as text';
