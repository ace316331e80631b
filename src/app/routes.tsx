import type { ComponentType } from 'react'
import { Navigate, useLocation, useParams, type RouteObject } from 'react-router'
import { late } from '../state/late'
import { NotFound, RouteFailure } from './Failure'
import { Opening } from './Opening'
import { Shell } from './Shell'

/** A room that is loaded when it is first opened; until then the one before stays on the screen. */
const room =
  <Name extends string>(load: () => Promise<Record<Name, ComponentType>>, name: Name) =>
  async () => ({ Component: (await late(load()))[name] })

/** An address of before, led on to where its room is now, with all that stood behind it. */
function Moved({ to }: { to: string }) {
  const { search, hash } = useLocation()
  const { speciesId } = useParams()
  return <Navigate replace to={{ pathname: speciesId ? `${to}/${speciesId}` : to, search, hash }} />
}

/** Every address of the app and the room behind it. */
export const routes: RouteObject[] = [
  {
    element: <Shell />,
    errorElement: <RouteFailure />,
    hydrateFallbackElement: <Opening />,
    children: [
      { path: '/', lazy: room(() => import('../rooms/loom/LoomRoom'), 'LoomRoom') },
      { path: '/rounds', lazy: room(() => import('../rooms/rounds/RoundsRoom'), 'RoundsRoom') },
      { path: '/beds', lazy: room(() => import('../rooms/beds/BedsRoom'), 'BedsRoom') },
      { path: '/bed/:bedId', lazy: room(() => import('../rooms/bed/BedRoom'), 'BedRoom') },
      { path: '/choose/:bedId?', lazy: room(() => import('../rooms/choose/ChooseRoom'), 'ChooseRoom') },
      { path: '/sow/:standId?', lazy: room(() => import('../rooms/sow/SowRoom'), 'SowRoom') },
      { path: '/sow/:standId/pacer', lazy: room(() => import('../rooms/sow/PacerRoom'), 'PacerRoom') },
      { path: '/shed', lazy: room(() => import('../rooms/shed/ShedRoom'), 'ShedRoom') },
      { path: '/seed', element: <Moved to="/shed" /> },
      { path: '/check/:standId?', lazy: room(() => import('../rooms/watch/CheckRoom'), 'CheckRoom') },
      { path: '/watch/:standId?', lazy: room(() => import('../rooms/watch/WatchRoom'), 'WatchRoom') },
      { path: '/end/:standId?/:view?', lazy: room(() => import('../rooms/end/EndRoom'), 'EndRoom') },
      { path: '/plant/:standId?', lazy: room(() => import('../rooms/plant/PlantRoom'), 'PlantRoom') },
      {
        path: '/reference/:speciesId?',
        lazy: room(() => import('../rooms/reference/ReferenceRoom'), 'ReferenceRoom'),
      },
      { path: '/start-page', lazy: room(() => import('../rooms/reference/StartPage'), 'StartPage') },
      { path: '/plants/:speciesId?', element: <Moved to="/reference" /> },
      { path: '/weather', lazy: room(() => import('../rooms/weather/WeatherRoom'), 'WeatherRoom') },
      { path: '/standing', lazy: room(() => import('../rooms/garden/StandingRoom'), 'StandingRoom') },
      { path: '/garden', lazy: room(() => import('../rooms/garden/GardenRoom'), 'GardenRoom') },
      { path: '*', element: <NotFound /> },
    ],
  },
  {
    path: '/start',
    lazy: room(() => import('../rooms/garden/StartRoom'), 'StartRoom'),
    errorElement: <RouteFailure />,
    hydrateFallbackElement: <Opening />,
  },
  {
    path: '/receive',
    lazy: room(() => import('../rooms/garden/ReceiveRoom'), 'ReceiveRoom'),
    errorElement: <RouteFailure />,
    hydrateFallbackElement: <Opening />,
  },
  {
    path: '/demo/:name',
    lazy: room(() => import('./DemoRoute'), 'DemoRoute'),
    errorElement: <RouteFailure />,
    hydrateFallbackElement: <Opening />,
  },
]
