export { type Attention, type AttentionItem, attentionOf, bySoonest, type Crossing } from "./attention.ts";
export { attentionAdvice, attentionSentence } from "./sayAttention.ts";
