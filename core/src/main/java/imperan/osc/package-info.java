/**
 * Open Sound Control 1.0: packets as values, their bytes, time tags and address patterns.
 *
 * <p>Source: "The Open Sound Control 1.0 Specification" (2002), cited by section name where a rule is applied.
 * Nothing here knows a socket, a clock or a show.
 */
package imperan.osc;
