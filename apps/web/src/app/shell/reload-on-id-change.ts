import { BaseRouteReuseStrategy, type ActivatedRouteSnapshot } from '@angular/router';

/** Another bucket, recipe or piece is another page: half-typed fields never move from one to the next. */
export class ReloadOnIdChange extends BaseRouteReuseStrategy {
  override shouldReuseRoute(future: ActivatedRouteSnapshot, current: ActivatedRouteSnapshot): boolean {
    return super.shouldReuseRoute(future, current) && future.params['id'] === current.params['id'];
  }
}
