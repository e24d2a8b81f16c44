export { deskOf, trailOf, type Desk, type DeskFinding, type DeskFunction, type DeskGiven, type DeskVariable, type Chip } from './desk'
