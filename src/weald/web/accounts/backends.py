"""Who somebody is, read together with what every request asks of them."""

from django.contrib.auth.backends import ModelBackend
from django.contrib.auth.models import User


class PersonBackend(ModelBackend):
    """Django's own, but a person comes with preferences and workshop in one query."""

    def get_user(self, user_id: int) -> User | None:
        """The person of a session, if they may still come in."""
        people = User.objects.select_related("preferences", "membership__workshop")
        try:
            user = people.get(pk=user_id)
        except User.DoesNotExist:
            return None
        return user if self.user_can_authenticate(user) else None
