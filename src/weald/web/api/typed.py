"""Bodies read by the core, published with their real shape: what may stand in a file may be sent.

The core reads them itself, so that every place that is wrong is named in the reader's words; here they
are only described, in the API's description and so in the interface's types.
"""

from typing import Annotated, Any

from pydantic import BaseModel, WithJsonSchema

from weald.core.costs.terms import BoughtList, Terms
from weald.core.job.printing import CoverRules, Printer
from weald.core.job.spec import JobSpec
from weald.core.planning.book_set import SetSpec
from weald.core.planning.house import House
from weald.core.schedule.workplace import Workplace
from weald.core.shelf.stock import StockItem

_MARK = "x-entries"
_MODELS: tuple[type[BaseModel], ...] = (
    *(BoughtList, CoverRules, House, JobSpec, Printer, SetSpec, StockItem, Terms, Workplace),
)
_ALSO = {
    "StockItem": {
        "count": {"type": "string"},
        "warn_below": {"type": "string"},
    }
}
"""Typed in the item's own measure, as *12* sheets or *1.5* metres of a roll."""
_REF = "#/components/schemas/{model}Input"


def _marked(model: type[BaseModel]) -> WithJsonSchema:
    return WithJsonSchema({_MARK: model.__name__})


JobInput = Annotated[dict[str, Any], _marked(JobSpec)]
SetInput = Annotated[dict[str, Any], _marked(SetSpec)]
HouseInput = Annotated[dict[str, Any], _marked(House)]
StockInput = Annotated[dict[str, Any], _marked(StockItem)]
WorkplaceInput = Annotated[dict[str, Any], _marked(Workplace)]
TermsInput = Annotated[dict[str, Any], _marked(Terms)]
BoughtInput = Annotated[dict[str, Any], _marked(BoughtList)]
PrinterInput = Annotated[dict[str, Any], _marked(Printer)]
CoverRulesInput = Annotated[dict[str, Any], _marked(CoverRules)]


def _put(node: Any) -> Any:
    if isinstance(node, dict):
        if _MARK in node:
            return {"$ref": _REF.format(model=node[_MARK])}
        return {key: _put(value) for key, value in node.items()}
    return [_put(each) for each in node] if isinstance(node, list) else node


def _as_typed(node: Any) -> Any:
    """The shape of what may be sent: what has a default may be left out, a number may come as typed."""
    if isinstance(node, list):
        return [_as_typed(each) for each in node]
    if not isinstance(node, dict):
        return node
    kept = {key: _as_typed(value) for key, value in node.items() if key != "default"}
    if kept.get("type") in ("number", "integer"):
        kept["type"] = [kept["type"], "string"]
    return kept


def with_inputs(document: dict[str, Any]) -> dict[str, Any]:
    """An API description with every marked body put in full."""
    put: dict[str, Any] = _put(document)
    schemas = put["components"]["schemas"]
    for model in _MODELS:
        shape = model.model_json_schema(mode="validation", ref_template=_REF)
        for name, inner in shape.pop("$defs", {}).items():
            schemas[f"{name}Input"] = _as_typed(inner)
        shape["properties"] |= _ALSO.get(model.__name__, {})
        schemas[f"{model.__name__}Input"] = _as_typed(shape)
    return put
