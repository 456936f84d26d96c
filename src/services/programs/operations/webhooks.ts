import Type from 'typebox';
import { addWebhook, endWebhook, listWebhooks, WebhookInput } from '../../webhooks/webhooks';
import { Count, Id, Instant, Words } from '../answers';
import { operation, quietOperation } from '../operation';

const Shown = Type.Object({
  id: Id,
  address: Words,
  events: Type.Array(Words),
  by: Words,
  createdAt: Instant,
  waiting: Count,
  failed: Count,
});

export const webhookOperations = [
  operation({
    id: 'listWebhooks',
    method: 'get',
    path: '/webhooks',
    about: 'Access',
    title: 'Where news of what happens goes',
    needs: [['settings']],
    answer: Type.Object({ rows: Type.Array(Shown) }),
    act: async (actor) => ({ rows: await listWebhooks(actor) }),
  }),
  operation({
    id: 'addWebhook',
    method: 'post',
    path: '/webhooks',
    about: 'Access',
    title: 'Sends news of what happens to a door from now on; its secret is told once, here',
    needs: [['settings']],
    body: WebhookInput,
    answer: Type.Object({ id: Id, secret: Type.String({ description: 'Signs what is sent' }) }),
    makes: true,
    act: (actor, { body }) => addWebhook(actor, body),
  }),
  quietOperation({
    id: 'endWebhook',
    method: 'delete',
    path: '/webhooks/{id}',
    about: 'Access',
    title: 'Sends no more news there',
    needs: [['settings']],
    act: (actor, { path }) => endWebhook(actor, path.id!),
  }),
];
