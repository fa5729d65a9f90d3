/** The print room: the sheet printer with its feeds and jobs, the sheets that came out, the instrument that reads them. */
package wistel.standin.room;
