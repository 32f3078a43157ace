export {
  includesWords,
  PAGE_ROWS,
  type Params,
  pageOf,
  readPlace,
  readTableQuery,
  type TablePage,
  type TableQuery,
  tableAddress,
} from "./paging";
