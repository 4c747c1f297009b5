export { contributions, rollingPowers, type Contribution, type Source } from './contributions';
export { memberFigures, meshRoles, type MemberFigures, type MemberRole, type MeshRole } from './roles';
export { powerFlow, type PowerFlow, type PowerPath, type Stop } from './paths';
export { partPowers, type PartPower } from './part-powers';
