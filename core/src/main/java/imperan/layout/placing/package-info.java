/** From phrases to controls on a page. */
package imperan.layout.placing;
