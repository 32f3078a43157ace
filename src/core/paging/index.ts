export {
  includesWords,
  PAGE_ROWS,
  type Params,
  pageOf,
  readTableQuery,
  type TablePage,
  type TableQuery,
  tableAddress,
} from "./paging";
