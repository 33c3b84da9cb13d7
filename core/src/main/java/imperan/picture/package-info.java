/** Pictures that people put on controls: read, limited and named by what they hold. */
package imperan.picture;
