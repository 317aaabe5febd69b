import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import WebSocket from 'ws'
import { bench, connectAll } from '../../instruments/bench.ts'
import { openShop, type TestShop } from '../test/shop.ts'

let shop: TestShop
let address: string
beforeAll(async () => {
  shop = await openShop('relay', { demo: false })
  address = await shop.app.listen({ host: '127.0.0.1', port: 0 })
})
afterAll(() => shop.close())

const open = (path: string, options: WebSocket.ClientOptions = {}) =>
  new Promise<WebSocket>((resolve, reject) => {
    const socket = new WebSocket(`${address.replace('http', 'ws')}/api/bench/${path}`, options)
    socket.once('open', () => resolve(socket))
    socket.once('error', reject)
  })
const next = (socket: WebSocket, fits: (text: string) => boolean = () => true) =>
  new Promise<string>((resolve) => {
    const hear = (data: Buffer) => {
      const text = data.toString()
      if (!fits(text)) return
      socket.off('message', hear)
      resolve(text)
    }
    socket.on('message', hear)
  })

describe('the bench’s socket', () => {
  it('brings an instrument’s line to the pages of its bench and to no other, and says when it goes', async () => {
    const page = await open('7')
    const elsewhere = await open('8')
    const heard: string[] = []
    elsewhere.on('message', (data: Buffer) => heard.push(data.toString()))
    const gauge = await open('7?instrument=gauge%203')
    const line = next(page)
    gauge.send('37.8 kPa')
    expect(await line).toBe('gauge 3\t37.8 kPa')
    const gone = next(page)
    gauge.close()
    expect(await gone).toBe('gauge 3\t')
    expect(heard).toEqual([])
    page.close()
    elsewhere.close()
  })
  it('takes a page’s words to the instrument that they name', async () => {
    const page = await open('1')
    const gauge = await open('1?instrument=gauge%203')
    const said = next(gauge)
    page.send('gauge 3\tzero')
    expect(await said).toBe('zero')
    page.close()
    gauge.close()
  })
  it('makes one line of whatever comes, and no second instrument of a name', async () => {
    const page = await open('2')
    const gauge = await open('2?instrument=gauge')
    const line = next(page)
    gauge.send('1 kPa\r\n\t2 kPa')
    expect(await line).toBe('gauge\t1 kPa 2 kPa')
    const twin = await open('2?instrument=gauge')
    expect(await new Promise((resolve) => twin.once('close', resolve))).toBe(1008)
    page.close()
    gauge.close()
  })
  it('is shut to another page’s script', async () => {
    await expect(open('1', { headers: { origin: 'http://evil.example' } })).rejects.toThrow(/403/)
    await expect(open('1', { headers: { host: 'evil.example' } })).rejects.toThrow(/403/)
  })
  it('is what the simulated instruments speak: a pressure that is pumped rises', async () => {
    const page = await open('demo')
    const stop = connectAll(address, 'demo', bench())
    const kpa = async () =>
      Number((await next(page, (text) => /^gauge 3\t-?\d/.test(text))).split('\t')[1]!.split(' ')[0])
    expect(await kpa()).toBeLessThan(2)
    page.send('gauge 3\tpump 20')
    let most = 0
    for (let i = 0; i < 80 && most < 15; i++) most = Math.max(most, await kpa())
    expect(most).toBeGreaterThanOrEqual(15)
    page.send('gauge 3\trubbish on')
    expect(await next(page, (text) => /^gauge 3\t(#\?|--|ERR|1\.2\.3)/.test(text))).toBeTruthy()
    stop()
    page.close()
  })
})
