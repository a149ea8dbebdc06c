/** GET /api/session */
export interface SessionReply {
  /** Whether this server asks for a passphrase; who reads this has given it. */
  readonly hasSignIn: boolean
}
