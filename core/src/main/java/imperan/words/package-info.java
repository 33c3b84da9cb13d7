/** The words for people of what the running show says in values. */
package imperan.words;
