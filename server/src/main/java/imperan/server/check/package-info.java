/** The checks of the shows that somebody looks at, kept up with their edits and with the network. */
package imperan.server.check;
