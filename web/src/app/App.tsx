import { lazy, Suspense } from "react";
import { Navigate, Route, Routes, useParams } from "react-router";
import { Alarm } from "../features/clocks";
import { ComparePage } from "../features/compare";
import { FormulaPage } from "../features/formula";
import { OccasionPage } from "../features/occasion";
import { OrderPage } from "../features/order";
import { TodayPage } from "../features/today";
import { Notice } from "../ui/Notice";
import { Skeleton } from "../ui/Skeleton";
import { PageOrFailure } from "./PageFailed";
import { Rim } from "./Rim";
import { Tidings } from "./Tidings";

const ForMix = lazy(() => import("../features/confection").then((place) => ({ default: place.ForMix })));
const RecipeFit = lazy(() =>
  import("../features/confection").then((place) => ({ default: place.RecipeFit })),
);
const RecipesPage = lazy(() =>
  import("../features/recipes").then((place) => ({ default: place.RecipesPage })),
);
const CardPage = lazy(() => import("../features/recipes").then((place) => ({ default: place.CardPage })));
const BeginPage = lazy(() =>
  import("../features/begin/BeginPage").then((place) => ({ default: place.BeginPage })),
);
const ReadCardPage = lazy(() =>
  import("../features/card").then((place) => ({ default: place.ReadCardPage })),
);
const LarderPage = lazy(() => import("../features/larder").then((place) => ({ default: place.LarderPage })));
const StovePage = lazy(() => import("../features/stove").then((place) => ({ default: place.StovePage })));
const SetPage = lazy(() => import("../features/set").then((place) => ({ default: place.SetPage })));
const DaybookPage = lazy(() =>
  import("../features/daybook").then((place) => ({ default: place.DaybookPage })),
);
const BatchPage = lazy(() => import("../features/daybook").then((place) => ({ default: place.BatchPage })));
const LaidOverPage = lazy(() =>
  import("../features/daybook").then((place) => ({ default: place.LaidOverPage })),
);
const LearnedPage = lazy(() =>
  import("../features/daybook").then((place) => ({ default: place.LearnedPage })),
);
const SeenPage = lazy(() =>
  import("../features/seen/SeenPage").then((place) => ({ default: place.SeenPage })),
);
const ThermometersPage = lazy(() =>
  import("../features/thermometers/ThermometersPage").then((place) => ({ default: place.ThermometersPage })),
);
const DataPage = lazy(() =>
  import("../features/data/DataPage").then((place) => ({ default: place.DataPage })),
);
const PairingPage = lazy(() =>
  import("../features/pairing/PairingPage").then((place) => ({ default: place.PairingPage })),
);
const ShelfPage = lazy(() =>
  import("../features/shelf/ShelfPage").then((place) => ({ default: place.ShelfPage })),
);
const KeepPage = lazy(() =>
  import("../features/shelf/KeepPage").then((place) => ({ default: place.KeepPage })),
);
const NoticesPage = lazy(() =>
  import("../features/data/NoticesPage").then((place) => ({ default: place.NoticesPage })),
);
const SharedPage = lazy(() =>
  import("../features/sharing/SharedPage").then((place) => ({ default: place.SharedPage })),
);
const ConfectionPage = lazy(() =>
  import("../features/confection").then((place) => ({ default: place.ConfectionPage })),
);

/** The places along the thread, each for one recipe; all but the first are fetched when they are opened. */
export function App() {
  return (
    <>
      <Rim />
      <Tidings />
      <Alarm />
      <PageOrFailure>
        <Suspense fallback={<Skeleton />}>
          <Routes>
            <Route path="/" element={<TodayPage />} />
            <Route path="/new" element={<BeginPage />} />
            <Route path="/recipes" element={<RecipesPage />} />
            <Route path="/read" element={<ReadCardPage />} />
            <Route path="/recipes/:id/card" element={<ForRecipe Place={CardPage} />} />
            <Route path="/recipes/:id/formula" element={<ForRecipe Place={FormulaPage} />} />
            <Route path="/recipes/:id/fit" element={<ForRecipe Place={RecipeFit} />} />
            <Route path="/recipes/:id/compare" element={<ForRecipe Place={ComparePage} />} />
            <Route path="/larder" element={<LarderPage />} />
            <Route path="/recipes/:id/stove" element={<ForRecipe Place={StovePage} />} />
            <Route path="/recipes/:id/set" element={<ForRecipe Place={SetPage} />} />
            <Route path="/recipes/:id/keep" element={<ForRecipe Place={KeepPage} />} />
            <Route path="/notices" element={<NoticesPage />} />
            <Route path="/shared" element={<SharedPage />} />
            <Route path="/shelf" element={<ShelfPage />} />
            <Route path="/daybook" element={<DaybookPage />} />
            <Route path="/daybook/laid-over" element={<LaidOverPage />} />
            <Route path="/daybook/kitchen" element={<LearnedPage />} />
            <Route path="/daybook/:id" element={<BatchPage />} />
            <Route path="/pairing" element={<PairingPage />} />
            <Route path="/thermometers" element={<ThermometersPage />} />
            <Route path="/data" element={<DataPage />} />
            <Route path="/see" element={<SeenPage />} />
            <Route path="/see/:of/:id" element={<SeenPage />} />
            <Route path="/confections" element={<Navigate to="/recipes" replace />} />
            <Route path="/confections/:id" element={<ConfectionPage />} />
            <Route path="/confections/:id/fit" element={<ConfectionPage />} />
            {MIX_PLACES.map(([place, Place]) => (
              <Route
                key={place}
                path={`/confections/:id/${place}`}
                element={<ForMix place={place} Place={Place} />}
              />
            ))}
            <Route path="/occasions" element={<OccasionPage />} />
            <Route path="/occasions/:id/order" element={<OrderPage />} />
            <Route path="/boxes" element={<Navigate to="/occasions" replace />} />
            <Route
              path="*"
              element={<Notice title="There is nothing here" text="The address may be mistyped." />}
            />
          </Routes>
        </Suspense>
      </PageOrFailure>
    </>
  );
}

/** Places of a thread that show one mix. */
const MIX_PLACES = [
  ["formula", FormulaPage],
  ["stove", StovePage],
  ["set", SetPage],
  ["keep", KeepPage],
] as const;

function ForRecipe({ Place }: { Place: (props: { id: number }) => React.ReactNode }) {
  const id = Number(useParams().id);
  if (!Number.isInteger(id))
    return <Notice title="There is no such recipe" text="The address may be mistyped." />;
  return <Place key={id} id={id} />;
}
