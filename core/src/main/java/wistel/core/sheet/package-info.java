/**
 * How pictures and marks lie on pages: pieces, plans that lay them, layouts, placed pictures. Pixels are {@code render}'s.
 *
 * <p>What each plan can't do: {@link wistel.core.sheet.Single} lays one piece, and on a roll only with equal ends or typed ones. {@link
 * wistel.core.sheet.Wrap} lays one piece on faces of one size, a page each, without captions and never to the paper's edge. {@link wistel.core.sheet.Gang} lays several pieces, never to the paper's edge and without a bleed. {@link
 * wistel.core.sheet.Tiled} lays one piece over sheets of one size, joined by straight cuts from edge to edge, without captions and never to
 * the paper's edge. {@link wistel.core.sheet.Chart} lays all of one picture and nothing beside it but its lines.
 */
package wistel.core.sheet;
