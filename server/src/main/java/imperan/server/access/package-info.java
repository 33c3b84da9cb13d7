/** Who may use this server: by which address it is opened, from where, and with which key. */
package imperan.server.access;
