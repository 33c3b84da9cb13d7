/** What is done to the lines of many controls at once: filling across, numbering, finding and replacing. */
package imperan.layout.lines;
