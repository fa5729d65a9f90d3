/** From a released docket to a sheet: orders, attempts and their pages, print files, jobs, what is kept. */
package wistel.server.print;
