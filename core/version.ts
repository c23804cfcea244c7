/** Version of the core: answers are reproducible from design, weather, seed and this. */
export const CORE_VERSION = '0.1.0'
