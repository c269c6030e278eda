/** A file as read from disk, with the name to use when something in it is wrong. */
export interface LibraryFile {
  readonly name: string;
  readonly json: unknown;
}

/** What is wrong, and where a person would look for it. */
export interface LibraryFault {
  readonly file: string;
  readonly where: string;
  readonly field: string;
  readonly message: string;
}
