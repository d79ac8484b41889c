export interface Reply {
  status?: number;
  body: unknown;
  headers?: Record<string, string>;
}
