/** How pictures and marks lie on pages: plans, layouts, placed pictures. Pixels are {@code render}'s. */
package wistel.core.sheet;

