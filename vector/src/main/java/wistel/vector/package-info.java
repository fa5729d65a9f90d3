/**
 * The engine's pixel loops over vector units ({@code jdk.incubator.vector}), for JVMs that have that module. Gives what the scalar loops
 * give.
 */
package wistel.vector;
