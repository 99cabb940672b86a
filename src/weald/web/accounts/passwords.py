"""What a password has to be beside long: of more than a few letters over and over."""

from django.contrib.auth.models import User
from django.core.exceptions import ValidationError

LEAST_DIFFERENT = 5


class VariedPasswordValidator:
    """Refuses one letter, or a few, repeated until they are long enough."""

    def validate(self, password: str, user: User | None = None) -> None:
        """Look at a password.

        :raises ValidationError: when it has too few different letters.
        """
        if len(set(password.casefold())) < LEAST_DIFFERENT:
            raise ValidationError(self.get_help_text(), code="password_not_varied")

    def get_help_text(self) -> str:
        """What is asked for, in words."""
        return f"Take a password of at least {LEAST_DIFFERENT} different letters, digits or signs."
