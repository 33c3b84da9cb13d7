/** What went wrong while a show plays, gathered quietly: nothing is sent for it. */
package imperan.watch;
