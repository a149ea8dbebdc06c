// What the soak needs of the core.
export { NO_RIG, replay } from '#core/rig'
