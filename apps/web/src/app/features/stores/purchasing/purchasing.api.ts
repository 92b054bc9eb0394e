import { HttpClient } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type {
  KeptPurchase,
  KeptSupplier,
  NewReceipt,
  PurchaseOrder,
  PurchaseState,
  PurchasesQuery,
  Supplier,
} from '@druckerei/contract';
import type { Observable } from 'rxjs';
import { askPage } from '../../../platform/api';

/** The server's calls about suppliers and the orders to them. */
@Injectable({ providedIn: 'root' })
export class PurchasingApi {
  private readonly http = inject(HttpClient);

  suppliers(asked: { search?: string; skip?: number; limit?: number } = {}) {
    return askPage(this.http, '/api/suppliers', asked) as Observable<{ rows: KeptSupplier[]; total: number }>;
  }
  addSupplier(supplier: Supplier): Observable<KeptSupplier> {
    return this.http.post<KeptSupplier>('/api/suppliers', supplier);
  }
  changeSupplier(id: number, version: number, supplier: Supplier): Observable<KeptSupplier> {
    return this.http.put<KeptSupplier>(`/api/suppliers/${id}`, { version, supplier });
  }
  purchases(asked: PurchasesQuery) {
    return askPage(this.http, '/api/purchases', asked) as Observable<{ rows: KeptPurchase[]; total: number }>;
  }
  addPurchase(purchase: PurchaseOrder): Observable<KeptPurchase> {
    return this.http.post<KeptPurchase>('/api/purchases', purchase);
  }
  changePurchase(id: number, version: number, purchase: PurchaseOrder): Observable<KeptPurchase> {
    return this.http.put<KeptPurchase>(`/api/purchases/${id}`, { version, purchase });
  }
  setPurchase(id: number, change: { version: number; state: Exclude<PurchaseState, 'draft'>; reason?: string }) {
    return this.http.put<KeptPurchase>(`/api/purchases/${id}/state`, change);
  }
  receive(id: number, receipt: NewReceipt): Observable<KeptPurchase> {
    return this.http.post<KeptPurchase>(`/api/purchases/${id}/receipts`, receipt);
  }
}
