/** What is seen of messages as they come and go, beside the list of them. Gathered from what happened; time is an argument. */
package imperan.wire;
