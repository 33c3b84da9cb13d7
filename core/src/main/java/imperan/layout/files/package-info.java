/** A layout as a file of its own, and the pages in it on screens of other shapes. */
package imperan.layout.files;
