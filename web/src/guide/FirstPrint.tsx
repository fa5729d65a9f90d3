import Markdown from 'react-markdown'
import { Link } from 'react-router'
import text from '../../../docs/first-print.md?raw'
import './guide.css'

const SHOTS = import.meta.glob<string>('../../../docs/screenshots/{printers,papers,proof,release}.png', {
  eager: true,
  query: '?url',
  import: 'default',
})

/** Pictures ship with the page; other pages are the repository's and are named without a link. */
const shot = (src: string) => SHOTS[`../../../docs/${src}`] ?? src

/** docs/first-print.md, as it stands there. */
export function FirstPrint() {
  return (
    <article className="page guide">
      <Markdown
        components={{
          img: ({ src, alt }) => <img src={shot(String(src))} alt={alt ?? ''} />,
          a: ({ children }) => <span>{children}</span>,
        }}
      >
        {text}
      </Markdown>
      <p>
        <Link to="/">To the bench</Link>
      </p>
    </article>
  )
}
