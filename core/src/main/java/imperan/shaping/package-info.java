/** Steps between finger and argument, and back: numbers in, numbers out. */
package imperan.shaping;
