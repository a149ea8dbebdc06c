/** A path on this server to go on to; "/" for anything else, above all for other servers. */
export const ownPath = (to: string): string => (/^\/(?![/\\])[\x21-\x7e]*$/.test(to) ? to : '/')

const escaped = (text: string): string => text.replace(/[&<>"']/g, (letter) => `&#${letter.codePointAt(0)};`)

/** The page that asks for the passphrase: everything it needs is in it. */
export const signInPage = (to: string, isWrong: boolean): string => `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Sign in, Wire Step</title>
<style>
  :root { color-scheme: light dark; --ground: #e9eeec; --sheet: #fafcfb; --ink: #14212a; --soft: #4b5b62; --line: #93a3a1; --error: #b3261e; --focus: #1a5596 }
  @media (prefers-color-scheme: dark) { :root { --ground: #10191c; --sheet: #182428; --ink: #e8efed; --soft: #b4c2c2; --line: #5b6d73; --error: #ff9d92; --focus: #8dbcf2 } }
  body { margin: 0; min-height: 100vh; display: grid; place-content: center; background: var(--ground); color: var(--ink); font: 16px/1.5 'Hanken Grotesk Variable', system-ui, sans-serif }
  main { box-sizing: border-box; width: min(380px, 100vw); padding: 28px; background: var(--sheet); border-top: 4px solid var(--ink) }
  h1 { margin: 0 0 4px; font-size: 22px; line-height: 1.2 }
  p { margin: 0 0 16px; color: var(--soft) }
  .wrong { color: var(--error); font-weight: 600 }
  label { display: block; font-weight: 600; margin-bottom: 4px }
  input, button { box-sizing: border-box; width: 100%; min-height: 44px; padding: 8px 12px; font: inherit; color: inherit; background: var(--sheet); border: 1px solid var(--line); border-radius: 3px }
  button { margin-top: 12px; background: var(--ink); color: var(--sheet); border-color: var(--ink); font-weight: 600; cursor: pointer }
  :focus-visible { outline: 3px solid var(--focus); outline-offset: 2px }
</style>
</head>
<body>
<main>
<h1>Wire Step</h1>
<p>The rigs on this server are behind a passphrase.</p>
${isWrong ? '<p class="wrong" role="alert">This is not the passphrase. Try again.</p>\n' : ''}<form method="post" action="/api/sign-in">
<input type="hidden" name="to" value="${escaped(to)}">
<label for="passphrase">Passphrase</label>
<input id="passphrase" name="passphrase" type="password" autocomplete="current-password" required autofocus>
<button>Sign in</button>
</form>
</main>
</body>
</html>
`
