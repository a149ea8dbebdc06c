import { defineNitroPlugin } from 'nitropack/runtime'
import { openFrontDoor } from '../http/frontDoor'
import { started } from '../start/started'

export default defineNitroPlugin(({ h3App }) => openFrontDoor(h3App, started))
