import type { RouteObject } from 'react-router'
import { BedRoom } from '../rooms/bed/BedRoom'
import { ChooseRoom } from '../rooms/choose/ChooseRoom'
import { EndRoom } from '../rooms/end/EndRoom'
import { GardenRoom } from '../rooms/garden/GardenRoom'
import { StartRoom } from '../rooms/garden/StartRoom'
import { LoomRoom } from '../rooms/loom/LoomRoom'
import { PlantRoom } from '../rooms/plant/PlantRoom'
import { PlantsRoom } from '../rooms/plants/PlantsRoom'
import { RoundsRoom } from '../rooms/rounds/RoundsRoom'
import { SeedRoom } from '../rooms/seed/SeedRoom'
import { PacerRoom } from '../rooms/sow/PacerRoom'
import { SowRoom } from '../rooms/sow/SowRoom'
import { WeatherRoom } from '../rooms/weather/WeatherRoom'
import { CheckRoom } from '../rooms/watch/CheckRoom'
import { WatchRoom } from '../rooms/watch/WatchRoom'
import { DemoRoute } from './DemoRoute'
import { NotFound, RouteFailure } from './Failure'
import { Shell } from './Shell'

/** Every address of the app and the room behind it. */
export const routes: RouteObject[] = [
  {
    element: <Shell />,
    errorElement: <RouteFailure />,
    children: [
      { path: '/', element: <LoomRoom /> },
      { path: '/rounds', element: <RoundsRoom /> },
      { path: '/bed/:bedId', element: <BedRoom /> },
      { path: '/choose/:bedId?', element: <ChooseRoom /> },
      { path: '/sow/:standId?', element: <SowRoom /> },
      { path: '/sow/:standId/pacer', element: <PacerRoom /> },
      { path: '/seed', element: <SeedRoom /> },
      { path: '/check/:standId?', element: <CheckRoom /> },
      { path: '/watch/:standId?', element: <WatchRoom /> },
      { path: '/end/:standId?/:view?', element: <EndRoom /> },
      { path: '/plant/:standId?', element: <PlantRoom /> },
      { path: '/plants/:speciesId?', element: <PlantsRoom /> },
      { path: '/weather', element: <WeatherRoom /> },
      { path: '/garden', element: <GardenRoom /> },
      { path: '*', element: <NotFound /> },
    ],
  },
  { path: '/start', element: <StartRoom />, errorElement: <RouteFailure /> },
  { path: '/demo/:name', element: <DemoRoute />, errorElement: <RouteFailure /> },
]
