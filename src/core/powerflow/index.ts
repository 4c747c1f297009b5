export { accountOf, type Account, type PowerEntry, type PowerPlace } from './account';
export { contributions, type Contribution, type PowerSource } from './contributions';
export { memberFigures, meshRoles, type MemberFigures, type MemberRole, type MeshRole } from './roles';
export { powerFlow, type PowerFlow, type PowerPath } from './paths';
export type { Stop } from './flow-graph';
export { partPowers, type PartPower } from './part-powers';
