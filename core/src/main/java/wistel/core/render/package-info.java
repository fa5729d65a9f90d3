/** From a master and a docket's decisions to a print file, in strips. */
package wistel.core.render;
