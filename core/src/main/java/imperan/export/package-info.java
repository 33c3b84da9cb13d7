/** Reports in open formats that others read. */
package imperan.export;
