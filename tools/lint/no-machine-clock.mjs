// What is tested, benched or shown stands at a moment of its own: the machine's day decides nothing.
const says = 'The machine’s day decides nothing here: name the moment.'

const noMachineClock = {
  create: (context) => ({
    NewExpression(node) {
      if (node.callee.name === 'Date' && node.arguments.length === 0) context.report({ node, message: says })
    },
    CallExpression(node) {
      const { object, property } = node.callee
      if (object?.name === 'Date' && property?.name === 'now') context.report({ node, message: says })
    },
  }),
}

export default { meta: { name: 'house' }, rules: { 'no-machine-clock': noMachineClock } }
