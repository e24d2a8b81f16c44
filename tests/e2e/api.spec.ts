import { expect, test } from './server'

const small = { format: 'pasear-case', version: 1, title: 'Small' }

test('the API checks what comes in, and every refusal is a plain sentence without a stack', async ({ server }) => {
  const ask = async (path: string, method = 'GET', body?: string) => {
    const r = await fetch(`${server.url}${path}`, { method, body, headers: { 'content-type': 'application/json' } })
    const text = await r.text()
    expect(text).not.toMatch(/\bat .*\.(m?js|ts)\b|node_modules|stack/)
    return { status: r.status, body: JSON.parse(text) as { message?: string; id?: string; revision?: number; data?: { errors?: { path: string }[] } } }
  }
  const post = (c: unknown) => ask('/api/cases', 'POST', JSON.stringify({ case: c }))
  expect(await ask('/api/health')).toEqual({ status: 200, body: { status: 'ok' } })
  const made = await post(small)
  expect([made.status, made.body.revision]).toEqual([201, 1])
  expect(await post({ ...small, colour: 'red' })).toMatchObject({ status: 400, body: { message: 'colour: The key `colour` is not known here.', data: { errors: [{ path: 'colour' }] } } })
  expect(await post({ ...small, functions: [{ name: 'f', of: 'x', by: { kind: 'formula' } }] })).toMatchObject({ status: 400, body: { message: expect.stringContaining('functions[0].by.text') } })
  expect((await ask('/api/cases', 'POST', '{"case":')).status).toBe(400)
  expect((await ask('/api/cases', 'POST', '[]')).status).toBe(400)
  expect(await ask(`/api/cases/${made.body.id}`, 'PUT', JSON.stringify({ case: small }))).toMatchObject({ status: 400, body: { message: expect.stringContaining('revision') } })
  expect(await ask(`/api/cases/${made.body.id}`, 'PUT', JSON.stringify({ case: small, revision: 7 }))).toMatchObject({ status: 409, body: { message: expect.stringContaining('changed elsewhere') } })
  expect(await ask(`/api/cases/${made.body.id}`, 'PUT', JSON.stringify({ case: small, revision: 1 }))).toMatchObject({ status: 200, body: { revision: 2 } })
  expect((await ask('/api/cases/none')).status).toBe(404)
  expect((await ask('/api/cases/..%2f..%2fetc')).status).toBe(404)
  expect((await ask('/api/nowhere')).status).toBe(404)
  expect((await ask(`/api/cases/${made.body.id}`, 'DELETE')).status).toBe(200)
  expect((await ask(`/api/cases/${made.body.id}`, 'DELETE')).status).toBe(404)
  expect((await ask(`/api/cases/${made.body.id}/restore`, 'POST')).status).toBe(200)
  expect((await ask('/schema/case-v1.json')).body).toMatchObject({ $id: '/schema/case-v1.json' })
})

test('a case that cannot be worked out is kept all the same, and an unknown address says so', async ({ server, page }) => {
  const broken = { ...small, title: 'Broken', variables: [{ name: 'x' }], functions: [{ name: 'f', of: 'x', by: { kind: 'formula', text: '12x +' } }] }
  const made = await (await fetch(`${server.url}/api/cases`, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ case: broken }) })).json() as { id: string }
  await page.goto(`${server.url}/case/${made.id}`)
  await expect(page.locator('.row .problem')).toContainText('stops after the plus')
  await expect(page.getByRole('button', { name: /^Formula of f/ })).toContainText('12x +')
  await page.goto(`${server.url}/case/no-such-case`)
  await expect(page.getByText('There is no such case; it may have been deleted.')).toBeVisible()
})
